/** Ring plans as CPL scripts (RFC 3880). */
export type { CplNote, ReadCpl } from './path';
export { readCpl } from './readCpl';
export { writeCpl, type WrittenCpl } from './writeCpl';
export { xmlLimits } from './xml';
