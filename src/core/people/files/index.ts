/** People as other programs write them: vCards and tables, read card by card with what could not be taken. */
export { csvFields, readCsvPeople, readCsvTable, type CsvField, type CsvTable } from './csv';
export type { Problem, ReadPeople } from './read';
export { readVCards } from './vCard';
export { writeCsvPeople } from './writeCsv';
export { signatureOf } from './signature';
export { writeVCards, type Written } from './writeVCards';
