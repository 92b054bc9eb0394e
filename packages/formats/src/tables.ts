/** Readers and writers of tables: what somebody pastes out of a sheet or keeps in a file, fit for a browser. */
export { type ReadMachines, machinesCsv, readMachines } from './table/machines-csv.js';
export { type CgatsReading, readCgats, readingsOf, writeCgats } from './table/cgats.js';
export { happenedCsv } from './table/happened-csv.js';
export { type RefusedLine, refusedCsv } from './table/refused-csv.js';
export { stocksCsv } from './table/stocks-csv.js';
export { type ToldCell, type ToldFigure, type ToldTable, toldCell, toldCsv, toldWorkbook } from './table/told-table.js';
export { type Table, type Parted, MOST_LINES, PARTED, decodeText, readTable } from './table/read-table.js';
