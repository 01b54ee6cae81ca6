import type { FormatDescriptor } from '../format.ts';

/** Marks of a sheet, in meters, for any program that reads an open drawing. */
export const DXF: FormatDescriptor = {
  id: 'dxf',
  extensions: ['.dxf'],
  mediaTypes: ['image/vnd.dxf'],
};
export const GEOJSON: FormatDescriptor = {
  id: 'geojson',
  extensions: ['.geojson'],
  mediaTypes: ['application/geo+json'],
};
