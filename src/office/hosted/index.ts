/** The office as its host has it: it keeps time, tells each session what is theirs, and has what changed kept before that. */
export { HostedOffice, type HostedOfficeOptions, type OfficeStep } from './HostedOffice';
export { signInIdOf } from './Desk';
