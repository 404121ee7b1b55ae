/** People as other programs write them: vCards and tables, read card by card with what could not be taken. */
export { csvFields, readCsvPeople, readCsvTable, type CsvField, type CsvTable } from './csv';
export { readVCards } from './vCard';
export { writeVCards } from './writeVCards';
export type { Problem, ReadPeople, ReadPerson } from './readPerson';
