import type { FieldsOf, Focus, LookFor } from '../../records/schema';
import type { PayloadOf } from '../../changes/kind';
import type { tallyChanges } from './changes';

type Shipped = Pick<LookFor, 'name' | 'tone' | 'measure' | 'sign'>;

const counted = (tone: LookFor['tone'], name: string, sign: LookFor['sign']): Shipped => ({
  name,
  tone,
  measure: 'count',
  sign,
});

/** The sets that ship: few in each, for three aims are better than twenty. */
const focuses: { name: string; lookFors: Shipped[] }[] = [
  {
    name: 'Discussion',
    lookFors: [
      counted('wanted', 'Gave evidence', 'proof'),
      counted('wanted', 'Asked a question', 'question'),
      counted('wanted', 'Challenged a point', 'scales'),
      counted('wanted', 'Built on another', 'link'),
      counted('unwanted', 'Bare opinion', 'cloud'),
      counted('unwanted', 'Said it again', 'repeat'),
    ],
  },
  {
    name: 'Workshop',
    lookFors: [
      counted('wanted', 'Asked why', 'lamp'),
      counted('wanted', 'Shared a tool', 'tool'),
      counted('wanted', 'Checked twice', 'check'),
      counted('unwanted', 'Unsafe', 'shield'),
      counted('unwanted', 'Let it lie', 'anchor'),
      { name: 'Waiting for help', tone: 'neutral', measure: 'seconds', sign: 'glass' },
    ],
  },
  {
    name: 'General conduct',
    lookFors: [
      counted('wanted', 'Spoke up', 'voice'),
      counted('wanted', 'Helped somebody', 'hand'),
      { name: 'Came prepared', tone: 'wanted', measure: 'tick', sign: 'flag' },
      counted('unwanted', 'Off task', 'wind'),
      counted('unwanted', 'Talked over others', 'waves'),
      { name: 'Out of the room', tone: 'neutral', measure: 'seconds', sign: 'door' },
    ],
  },
];

export type FocusSet = PayloadOf<(typeof tallyChanges)['focus.set']>;

/** The sets that ship, as changes that make them for all of a teacher's classes. */
export function shippedFocuses(newId: () => string): FocusSet[] {
  return focuses.map(({ name, lookFors }) => {
    const made = lookFors.map((lookFor, position) => ({
      id: newId(),
      ...lookFor,
      position,
      sectionId: null,
    }));
    return {
      focus: { id: newId(), name, sectionId: null, lookForIds: made.map(({ id }) => id) },
      lookFors: made,
    };
  });
}

/**
 * A set for another class. Look-fors that all classes share are used as they are; those of one class
 * are made anew for the other, so that each can change its own.
 */
export function copyFocus(
  focus: Pick<Focus, 'name' | 'lookForIds'>,
  sectionId: string,
  lookFors: Readonly<Record<string, LookFor>>,
  newId: () => string,
): FocusSet {
  const made: (FieldsOf<'lookFor'> & { id: string })[] = [];
  const lookForIds = focus.lookForIds.flatMap((id) => {
    const found = lookFors[id];
    if (!found) return [];
    if (found.sectionId === null || found.sectionId === sectionId) return [id];
    const { removed: _removed, ...fields } = found;
    const copy = { ...fields, id: newId(), sectionId };
    made.push(copy);
    return [copy.id];
  });
  return { focus: { id: newId(), name: focus.name, sectionId, lookForIds }, lookFors: made };
}
