export { numberList, voidsOf } from './number-sheet.js';
export { productPicture } from './product-picture.js';
export { stationSheet } from './station-sheet.js';
export { type StationSheet, type StationTable, shownFigures } from './sheet.js';
export { type Shape, type ShapeRole, type Spot, type StationDrawing, mmText, roomAround } from './drawing.js';
