/** Readers of artwork for ink zones, and what is written of them: fit for a browser's worker as well as for the server. */
export { type ByteSource, blobSource } from './artwork/byte-source.js';
export { type ReadArtwork, type ReadOptions, readTiff } from './artwork/read-tiff.js';
export { type ZoneRowOut, zonesCsv } from './artwork/zones-csv.js';
