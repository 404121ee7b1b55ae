/** The five places, in their order. */
export const places = [
  {
    path: '/',
    word: 'Loose ends',
    alsoAt: ['/everything', '/person', '/rooms', '/voicemails', '/notes', '/followups', '/standing'],
  },
  { path: '/dial', word: 'Dial', alsoAt: ['/call'] },
  { path: '/plan', word: 'Ring plan', alsoAt: [] },
  { path: '/directory', word: 'Directory', alsoAt: ['/import', '/contact', '/sources', '/alike'] },
  { path: '/office', word: 'Office', alsoAt: ['/office', '/archive', '/fax', '/outside', '/telling'] },
] as const;

export type Place = (typeof places)[number];

export function isAt(place: Place, pathname: string): boolean {
  return (
    pathname === place.path ||
    place.alsoAt.some((path) => pathname === path || pathname.startsWith(`${path}/`))
  );
}
