/** Everything in one file, with its proof. */
export { readArchive, writeArchive, type ArchiveFile, type ReadArchive } from './archive';
