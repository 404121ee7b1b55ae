/** What one screen is for, and the keys that do something there. */
export interface HelpText {
  title: string;
  /** What it is for, what is done there, and what is easily overlooked. */
  sentences: readonly [string, string, string];
  /** Of `shortcuts`, the ones that are wanted here most. */
  keys: readonly string[];
}

const inCall = ['M', 'H', 'T', 'N', 'E'] as const;
const list = ['/', 'A', 'R'] as const;

const of = (
  title: string,
  sentences: HelpText['sentences'],
  keys: HelpText['keys'] = ['/', 'D', 'P', 'S'],
): HelpText => ({ title, sentences, keys });

/** By the beginning of a screen's address; the longest that fits is meant. */
export const helpTexts: Readonly<Record<string, HelpText>> = {
  '/': of(
    'Loose ends',
    [
      'Whoever still waits for an answer stands here, the one to answer first at the top.',
      'A tap opens what was said and written; the plates call, text, put off or say that it is done.',
      'Who was answered leaves by themselves, and nobody is lost: all that ever happened is under Everything.',
    ],
    list,
  ),
  '/person': of('Somebody', [
    'All between you and one person, by day: calls, messages, texts, faxes and notes.',
    'Write to them at the bottom, or call from the plates at the top.',
    'Anything here can be called back, answered or noted without leaving the page.',
  ]),
  '/everything': of('Everything', [
    'Every call, message, text and fax, newest first.',
    'Look for names, numbers or words, and narrow it down by kind, line and day.',
    'A call opens to its route: who rang, in what order, and why.',
  ]),
  '/voicemails': of('Voicemails', [
    'What callers left for you and for your teams, with their words beside the sound.',
    'Play, call back, pass on, or put away; what is put away can be taken back.',
    'One that is not answered keeps its caller in Loose ends.',
  ]),
  '/fax': of('Faxes', [
    'Faxes to your lines, and those you sent, with how far each has come.',
    'Open one to read its pages, to pass it on or to send it again from the page that failed.',
    'A fax is written here by a text or a file; the office sends it by itself until it is through.',
  ]),
  '/fax/new': of('A fax', [
    'A fax is made of a cover, a text, and files that you add.',
    'The pages are shown as they will arrive, black and white.',
    'It waits on this device where there is no network, and goes out once there is.',
  ]),
  '/rooms': of('Rooms', [
    'Talks in writing with colleagues: of two, of a team, or about something.',
    'Open one to read on from where you stopped, or begin another.',
    'Leaving can be undone at once.',
  ]),
  '/followups': of('Follow-ups', [
    'What you have promised yourself to do, by when it is due.',
    'Each says whom it is about: call them from its line, put it off, or tick it.',
    'What falls due reminds you, on whichever of your devices you are at.',
  ]),
  '/notes': of('Notes', [
    'What you wrote down in calls and about people.',
    'Open a note to read on, change it, or go to its call.',
    'Notes are yours alone.',
  ]),
  '/contact': of('A card', [
    'Who somebody is: names, numbers, addresses, and where each of them comes from.',
    'What you change here stays yours, also when its source is read again.',
    'Numbers may be typed as they stand on paper: they are understood by their country.',
  ]),
  '/alike': of('There twice', [
    'Cards that seem to be the same person, with what speaks for it.',
    'Make them one, or say that they are two; either can be taken back.',
    'Nothing is thrown away: one card keeps what both said.',
  ]),
  '/sources': of('Sources', [
    'Where cards come from: books of the office, files, your own.',
    'Each says when it was read last, and what it could not say.',
    'A source is read again by “Update now”, or by itself where it is kept up to date.',
  ]),
  '/import': of('Bring in', [
    'Cards come in from a file: vCard, or a table whose columns you name.',
    'Before anything is kept you see how each line is understood, and which are refused and why.',
    'What was brought in can be taken out again in one act.',
  ]),
  '/dial': of(
    'Dial',
    [
      'Type a number, an extension or a name; the keys of the keypad spell names too.',
      'Under the field stands which number they see, how the call goes out, and what it costs.',
      'A tap on the first two chooses another, for this call or for good.',
    ],
    ['/', 'D', 'A'],
  ),
  '/call': of(
    'A call',
    [
      'Each cord is somebody: where it is whole you hear each other, where it is parted they hear music.',
      'The plates under it say what can be done now: hold, keys, hand them on, bring somebody in, or make it a meeting with pictures.',
      'Before anybody is sent somewhere you see what would ring there; who was handed over can be taken back for a moment.',
    ],
    inCall,
  ),
  '/standing': of('Where I stand', [
    'What you do now, and until when: colleagues see it, and your phones ring by it.',
    'Do not disturb and a forward of everything are switched on here, with an end.',
    'Each says when it ends by itself, so that nobody is unreachable for longer than meant.',
  ]),
  '/plan': of('Ring plan', [
    'Who rings when somebody calls you: rules from the top, the first that fits decides.',
    'Ask about any call, any hour, any line: the answer is computed as the office would do it.',
    'Changes are yours alone until you put them into force; what would be lost by them is said before.',
  ]),
  '/directory': of(
    'Directory',
    [
      'Everybody you may want to reach: colleagues with where they stand, contacts, teams.',
      'Look for a name, a number, letters of the keypad, or something that was said.',
      'A star keeps somebody at the top, and lets them ring with a tone of their own.',
    ],
    list,
  ),
  '/office': of('Office', [
    'What belongs to the office and to this device: lines, places, and how you like things.',
    'Whoever runs the office changes its people, lines, teams, menus and rules here.',
    'Looking for something? “All that can be chosen” has a search.',
  ]),
  '/office/people': of('People', [
    'Who is in the office, with their extensions, phones and rights.',
    'Open somebody to change them, to invite them, or to let them go.',
    'Nobody can be taken out whom a call would still need: it is said where.',
  ]),
  '/office/lines': of('Lines', [
    'The numbers of the office, and where each leads.',
    'Each line has its cord, by which calls are known all over Cendro.',
    'A number of another carrier can be brought here, with its day and its checks.',
  ]),
  '/office/teams': of('Teams', [
    'People who answer together: at once, in turn, or by a queue.',
    'A team has its hours, its music, and what happens when nobody is there.',
    'Before it is kept, the checks say which calls would reach nobody.',
  ]),
  '/office/menus': of('Menus', [
    'What callers hear, and where each key leads.',
    'A menu can ask for a language, say hours, and lead to another menu.',
    'Keys that lead nowhere are found before anybody presses them.',
  ]),
  '/office/conferences': of('Conferences', [
    'Standing numbers that several people call to talk together.',
    'Who dials one gives its PIN, from any phone.',
    'Somebody may be its host, whom all others wait for with music.',
  ]),
  '/office/findings': of('Findings', [
    'What is wrong in how the office is set up, found by computing calls.',
    'Each says who would be lost, when, and by what change it is mended.',
    'Where nothing stands here, every call finds somebody or a mailbox.',
  ]),
  '/office/route': of('Route', [
    'The way of a number through menus, teams and people, as the office is set up now.',
    'How broad a way is says how many calls went it; a tap says which.',
    'Try a call to see which way it would go, key by key.',
  ]),
  '/office/figures': of('Figures', [
    'How calls were answered: how many, how soon, by whom, and how many gave up.',
    'Choose the days and by what they are counted; a row opens to its calls.',
    'They can be saved as a table.',
  ]),
  '/office/rules': of('Rules of the house', [
    'What holds for everybody: calls out, recording, how long things are kept, numbers.',
    'They stand above what people choose for themselves.',
    'Emergency calls are above every rule.',
  ]),
  '/office/many': of('Many people', [
    'People come in from a table: one line each.',
    'Lines that are refused say why; the good ones can come.',
    'It can be taken back in the Log.',
  ]),
  '/office/port': of('Bring a number', [
    'A number of another carrier moves here, on a day that you agree with them.',
    'What they will ask for is asked here first, and checked.',
    'Until that day calls go where they went before.',
  ]),
  '/office/log': of('Log', [
    'Who changed the office, when, and what was there before.',
    'One change can be taken back, or all since a moment.',
    'What would break by that is said before it is done.',
  ]),
  '/outside': of('Outside', [
    'Everybody who is not the app is played here: callers, desk phones, colleagues, the network.',
    'Ring a line as somebody, and see in the app what they meet.',
    'The clock can be set on, so that what is due in an hour happens now.',
  ]),
  '/telling': of('Told elsewhere', [
    'What comes for you can be told by mail, or to another program.',
    'Choose what is worth it, and when; the last tries stand below.',
    'A try that failed is made again, later each time.',
  ]),
  '/tones': of('Ring tones', [
    'What a call rings with, by what it is: a colleague, a customer, a team, an urgent line, somebody starred.',
    'Each can be heard before it is chosen, as loud as it would ring.',
    'Silent means seen and not heard; emergency lines ring by the same rule.',
  ]),
  '/connection': of('How calls sound from here', [
    'Tries what the network does to a voice from where you are: how long it takes, how much it varies, how much is lost.',
    'Name the place: the worst ones stand first, so that you know before you ring from there.',
    'For a quarter of an hour, as long as the network is the same, how a call travels is chosen by it.',
  ]),
  '/archive': of('Archive', [
    'All that is kept for you on this device, as one file to take along.',
    'It can be brought back here or on another device, and that can be undone.',
    'Other programs can read it: it is a plain archive of lines.',
  ]),
  '/begin': of('An office of your own', [
    'An office begins with its name, one number, and you.',
    'Everything else can be added later, from Office.',
    'The sample stays as it is; one device can have both.',
  ]),
  '/join': of('Join', [
    'Who was invited comes in here, by the link or code they were given.',
    'A PIN that was given is changed for one of your own at once.',
    'A code works once, for one device, for three days.',
  ]),
  '/devices': of('PIN and devices', [
    'The browsers you are signed in on, and the PIN that lets you in.',
    'Sign another one out from here if it was lost.',
    'A device that others hold too can be locked when nobody touches it.',
  ]),
  '/ready': of('Ready to go', [
    'What to look over before driving off, each with its last reading.',
    'The gauge lies right where all is well.',
    'None of it has to be done now, and all of it is found again in Office.',
  ]),
  '/place': of('Where help is sent', [
    'The address that an emergency call from this device tells.',
    'It is asked again when the network is another one, since you may be elsewhere.',
    'It is told to nobody but those who send help.',
  ]),
  '/settings': of('All that can be chosen', [
    'Every choice of Cendro once, with how it stands now.',
    'A tap leads to where its effect is.',
    'Yours goes with you to all your devices; of this device stays here.',
  ]),
  '/share': of('Passed to Cendro', [
    'Another app has passed something on: a text, a picture, a card.',
    'Choose whom it is for; it is written for you, and nothing is sent before you send it.',
    'A contact card is read as a file, and asked about line by line.',
  ]),
};

/** The help for the screen at an address; where a screen has none of its own, that of the screen it belongs to. */
export function helpOf(path: string): HelpText {
  const fits = (key: string) => path === key || path.startsWith(`${key}/`);
  const key = Object.keys(helpTexts)
    .filter(fits)
    .reduce((longest, each) => (each.length > longest.length ? each : longest), '/');
  return helpTexts[key] as HelpText;
}
