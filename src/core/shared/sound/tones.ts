/** One stretch of a cadence: `on` sounds the tone's frequencies, else silence. */
export interface CadenceStep {
  on: boolean;
  seconds: number;
}

export interface Tone {
  /** Hz, sounded together. */
  frequencies: readonly number[];
  cadence: readonly CadenceStep[];
}

const on = (seconds: number): CadenceStep => ({ on: true, seconds });
const off = (seconds: number): CadenceStep => ({ on: false, seconds });

/** The United Kingdom's call-progress tones (ITU-T E.180 Supplement 2). */
export const progressTones = {
  ringback: { frequencies: [400, 450], cadence: [on(0.4), off(0.2), on(0.4), off(2)] },
  busy: { frequencies: [400], cadence: [on(0.375), off(0.375)] },
  congestion: { frequencies: [400], cadence: [on(0.4), off(0.35), on(0.225), off(0.525)] },
  /** Number unobtainable: continuous. */
  unobtainable: { frequencies: [400], cadence: [on(1)] },
} as const satisfies Record<string, Tone>;

/** Rows and columns of the keypad with their frequencies in Hz (ITU-T Q.23). */
const rows = { 697: '123A', 770: '456B', 852: '789C', 941: '*0#D' } as const;
const columns = [1209, 1336, 1477, 1633] as const;

/** The pair of frequencies of a DTMF digit; null for what is none. */
export function dtmfFrequencies(digit: string): readonly [number, number] | null {
  for (const [low, keys] of Object.entries(rows)) {
    const high = columns[digit.length === 1 ? keys.indexOf(digit) : -1];
    if (high !== undefined) return [Number(low), high];
  }
  return null;
}
