/**
 * Everything that goes into the E-model, in the Recommendation's own names and units (ITU-T G.107 Table 2):
 * levels in dB or dBm0p, delays in ms, loss in percent.
 */
export interface EModelInput {
  /** Send and receive loudness rating. */
  SLR: number;
  RLR: number;
  /** Sidetone masking rating, and D-values of send and receive side. */
  STMR: number;
  Ds: number;
  Dr: number;
  /** Talker echo loudness rating, weighted echo path loss. */
  TELR: number;
  WEPL: number;
  /** Mean one-way delay of the echo path, round-trip delay in the four-wire loop, absolute one-way delay. */
  T: number;
  Tr: number;
  Ta: number;
  /** Quantisation distortion units. */
  qdu: number;
  /** Equipment impairment factor and packet-loss robustness factor of the codec (G.113). */
  Ie: number;
  Bpl: number;
  /** Random packet loss in percent, and how bursty it is (1: random). */
  Ppl: number;
  BurstR: number;
  /** Circuit noise at the 0 dBr point, noise floor at the receive side. */
  Nc: number;
  Nfor: number;
  /** Room noise at send and receive side, in dB(A). */
  Ps: number;
  Pr: number;
  /** Advantage factor. */
  A: number;
}

/** The default values of ITU-T G.107 Table 2. With them R is 93.2. */
export const eModelDefaults: Readonly<EModelInput> = {
  SLR: 8,
  RLR: 2,
  STMR: 15,
  Ds: 3,
  Dr: 3,
  TELR: 65,
  WEPL: 110,
  T: 0,
  Tr: 0,
  Ta: 0,
  qdu: 1,
  Ie: 0,
  Bpl: 4.3,
  Ppl: 0,
  BurstR: 1,
  Nc: -70,
  Nfor: -64,
  Ps: 35,
  Pr: 35,
  A: 0,
};

const { exp, log10, sqrt } = Math;
const power = (level: number) => 10 ** (level / 10);

/** Transmission rating factor R (ITU-T G.107 §7, equation 7-1). What is left out has its default value. */
export function ratingFactor(given: Partial<EModelInput> = {}): number {
  const input = { ...eModelDefaults, ...given };
  const No = noiseSum(input);
  const Ro = 15 - 1.5 * (input.SLR + No);
  const Ist = sidetoneImpairment(input);
  return (
    Ro -
    simultaneousImpairment(input, No, Ro, Ist) -
    delayImpairment(input, No, Ro, Ist) -
    effectiveEquipmentImpairment(input) +
    input.A
  );
}

/** All noise sources as one level at the 0 dBr point (§7.2). */
function noiseSum({ SLR, RLR, STMR, Ds, Dr, Nc, Nfor, Ps, Pr }: EModelInput): number {
  const OLR = SLR + RLR;
  const Nos = Ps - SLR - Ds - 100 + 0.004 * (Ps - OLR - Ds - 14) ** 2;
  const LSTR = STMR + Dr;
  const Pre = Pr + 10 * log10(1 + power(10 - LSTR));
  const Nor = RLR - 121 + Pre + 0.008 * (Pre - 35) ** 2;
  const Nfo = Nfor + RLR;
  return 10 * log10(power(Nc) + power(Nos) + power(Nor) + power(Nfo));
}

/** Impairment by a sidetone that is not optimal (§7.3, Ist). */
function sidetoneImpairment({ STMR, TELR, T }: EModelInput): number {
  const STMRo = -10 * log10(power(-STMR) + exp(-T / 4) * power(-TELR));
  const root = (value: number, degree: number) => (1 + value ** degree) ** (1 / degree);
  return (
    12 * root((STMRo - 13) / 6, 8) - 28 * root((STMRo + 1) / 19.4, 35) - 13 * root((STMRo - 3) / 33, 13) + 29
  );
}

/** Is: too low loudness, sidetone, quantising distortion (§7.3). */
function simultaneousImpairment({ SLR, RLR, qdu }: EModelInput, No: number, Ro: number, Ist: number): number {
  const Xolr = SLR + RLR + 0.2 * (64 + No - RLR);
  const Iolr = 20 * ((1 + (Xolr / 8) ** 8) ** (1 / 8) - Xolr / 8);
  const Q = 37 - 15 * log10(qdu);
  const G = 1.07 + 0.258 * Q + 0.0602 * Q ** 2;
  const Y = (Ro - 100) / 15 + 46 / 8.4 - G / 9;
  const Z = 46 / 30 - G / 40;
  return Iolr + Ist + 15 * log10(1 + 10 ** Y + 10 ** Z);
}

/** Id: talker echo, listener echo, and delay itself (§7.4). */
function delayImpairment(input: EModelInput, No: number, Ro: number, Ist: number): number {
  const { RLR, STMR, TELR, WEPL, T, Tr, Ta } = input;
  const TERV = TELR - 40 * log10((1 + T / 10) / (1 + T / 150)) + 6 * exp(-0.3 * T ** 2);
  const Roe = -1.5 * (No - RLR);
  const Re = 80 + 2.5 * ((STMR < 9 ? TERV + Ist / 2 : TERV) - 14);
  const Idte = ((Roe - Re) / 2 + sqrt((Roe - Re) ** 2 / 4 + 100) - 1) * (1 - exp(-T));
  const Rle = 10.5 * (WEPL + 7) * (Tr + 1) ** -0.25;
  const Idle = (Ro - Rle) / 2 + sqrt((Ro - Rle) ** 2 / 4 + 169);
  return (STMR > 20 ? sqrt(Idte ** 2 + Ist ** 2) : Idte) + Idle + absoluteDelayImpairment(Ta);
}

/** Idd: conversation suffers from delay itself beyond 100 ms (§7.4, with the default delay sensitivity). */
function absoluteDelayImpairment(Ta: number): number {
  if (Ta <= 100) return 0;
  const X = Math.log2(Ta / 100);
  return 25 * ((1 + X ** 6) ** (1 / 6) - 3 * (1 + (X / 3) ** 6) ** (1 / 6) + 2);
}

/** Ie,eff: the codec, and packets lost (§7.5, equation 7-29). */
function effectiveEquipmentImpairment({ Ie, Bpl, Ppl, BurstR }: EModelInput): number {
  return Ppl === 0 ? Ie : Ie + (95 - Ie) * (Ppl / (Ppl / BurstR + Bpl));
}

/** Mean opinion score in conversation, 1 to 4.5, from R (ITU-T G.107 Annex B). */
export function mosFromRating(R: number): number {
  if (R <= 0) return 1;
  if (R >= 100) return 4.5;
  // Just above R = 0 the cubic dips a little below 1, which no opinion can.
  return Math.max(1, 1 + 0.035 * R + R * (R - 60) * (100 - R) * 7e-6);
}
