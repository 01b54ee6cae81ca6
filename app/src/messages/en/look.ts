export const look = {
  secondLook: 'Second look',
  looking: 'Looking…',
  accepted: '{{doubts}}, {{number}} accepted',
  doubts: 'Doubts',
  nothingToAsk: 'Nothing to ask',
  allInOrder:
    'Scales, prices, units, quantities, quotes and yardsticks were looked at, and all of it is in order.',
  allInOrderOrAccepted:
    'Scales, prices, units, quantities, quotes and yardsticks were looked at, and all of it is in order or accepted with a reason.',
  showAll: 'Show all {{number}}',
  confirmIt: 'Confirm it',
  confirm: 'confirm {{name}}',
  unpinIt: 'Unpin it',
  unpin: 'unpin {{name}}',
  accept: 'Accept…',
  acceptDoubt: 'accept: {{name}}',
  whyIsFine: 'Why {{name}} is fine',
  whyItsFine: 'Why it’s fine',
  accept2: 'Accept',
  accepted2: 'Accepted',
  askAgain: 'Ask again',
  doubtAgain: 'doubt again: {{name}}',
} as const;
