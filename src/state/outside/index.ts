/** What whoever plays the people and phones outside does, and sees. */
export {
  askAsColleague,
  playOutside,
  sendOutside,
  sendOutsideAndSay,
  useOutsideCalls,
  useScriptOf,
} from './outside';
