import LampDesk from 'lucide-react-native/icons/lamp-desk';
import Presentation from 'lucide-react-native/icons/presentation';
import Sunrise from 'lucide-react-native/icons/sunrise';
import Users from 'lucide-react-native/icons/users';

/** The four places, in the order in which they stand. */
export const places = [
  { path: '/', name: 'Lesson', icon: Presentation, within: ['/lessons', '/write', '/each', '/now'] },
  { path: '/watch', name: 'Watch', icon: Sunrise, within: ['/notes', '/topics', '/again', '/contact'] },
  {
    path: '/people',
    name: 'People',
    icon: Users,
    within: ['/students', '/classes', '/totals', '/range', '/given', '/owing'],
  },
  { path: '/desk', name: 'Desk', icon: LampDesk, within: [] },
] as const;

/** What a reader has: what is given to them, and their desk. */
export const readersPlaces = [
  { path: '/given', name: 'Paths', icon: Users, within: ['/students'] },
  places[3],
] as const;

export type Place = (typeof places | typeof readersPlaces)[number];

/** The place a page belongs to. */
export function placeOf(pathname: string, some: readonly Place[] = places): Place | undefined {
  const found = some.find(
    ({ path, within }) =>
      (path !== '/' && pathname.startsWith(path)) || within.some((prefix) => pathname.startsWith(prefix)),
  );
  return found ?? some[0];
}
