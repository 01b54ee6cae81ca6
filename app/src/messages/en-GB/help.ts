export const help = {
  hoursWords: 'labour hours man-hours work crew time',
  wagesWords: 'labour rate burden payroll location factor',
  unitsWords: 'metric feet metres decimal comma settings',
} as const;
