/** Somebody as a file tells of them. */
export interface ReadPerson {
  name: string;
  firm: string;
  /** E.164. */
  numbers: { label: string; number: string }[];
  mails: string[];
  note: string;
  /** What is not understood, as it stands there, to be written out again. */
  kept: string[];
}

/** What could not be taken, and why. Lines count from 1. */
export interface Problem {
  line: number;
  sentence: string;
}

export interface ReadPeople {
  people: ReadPerson[];
  problems: Problem[];
}

export const emptyPerson = (): ReadPerson => ({
  name: '',
  firm: '',
  numbers: [],
  mails: [],
  note: '',
  kept: [],
});
