/** Ring plans as CPL scripts (RFC 3880). */
export { readCpl, type CplNote, type ReadCpl } from './readCpl';
export { writeCpl, type WrittenCpl } from './writeCpl';
export { xmlLimits } from './xml';
