export { Waveform } from './Waveform';
