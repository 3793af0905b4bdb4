import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { displayName } from '@slate-path/core/people/names';
import { percentOf } from '@slate-path/core/words/percent';
import type { Student } from '@slate-path/core/records/schema';
import type { ClassGlance } from '@slate-path/core/watch/signals/glance';
import type { Lately } from '@slate-path/core/watch/signals/lately';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { SmallPath } from './SmallPath';

export interface Reason {
  words: string;
  /** A concern that is open. */
  needs: boolean;
}

interface OverviewRowProps {
  student: Student;
  /** What the server has told; nothing yet without a network. */
  seen: ClassGlance['students'][number] | undefined;
  lessons: ClassGlance['lessons'];
  reason: Reason | null;
  /** Under another row. */
  under: boolean;
  /** Somebody in the class had work to hand in. */
  hasWork: boolean;
}

/** In pixels; the name and what is said share what is left. */
export const columns = { name: 220, path: 210, there: 64, heard: 84, work: 96 } as const;

/** Fewer lessons on the phone, so that each is still to be seen. */
const pictures = { wide: { width: columns.path, last: 30 }, phone: { width: 112, last: 14 } } as const;

const thereWords = ({ taken, missed }: Lately) => (taken === 0 ? '' : percentOf(taken - missed, taken));
const heardWords = ({ observed, heard }: Lately) => (observed === 0 ? '' : `${heard} heard`);
const workWords = ({ due, handedIn }: Lately) => (due === 0 ? '' : `${handedIn} of ${due} in`);

/** One student of a class: the last lessons, the last four weeks in numbers, and why to look. Opens the path. */
export function OverviewRow({ student, seen, lessons, reason, under, hasWork }: OverviewRowProps) {
  const wide = useWide();
  const palette = usePalette();
  const router = useRouter();
  const name = displayName(student);
  const numbers = seen ? [thereWords(seen.lately), heardWords(seen.lately), workWords(seen.lately)] : [];
  const said = [reason?.words, numbers[0] && `there ${numbers[0]}`, ...numbers.slice(1)].filter(Boolean);
  const path = seen ? (
    <SmallPath student={seen} lessons={lessons} {...(wide ? pictures.wide : pictures.phone)} />
  ) : null;
  const why = reason ? (
    <Words
      bold={reason.needs}
      size={wide ? 'text' : 'small'}
      tone={reason.needs ? 'ember' : 'inkQuiet'}
      lines={wide ? 2 : 1}
    >
      {reason.words}
    </Words>
  ) : null;
  return (
    <TouchableRipple
      testID="overview-row"
      role="link"
      aria-label={`${name}: ${said.join(', ')}. Open the path.`}
      onPress={() => {
        router.push({ pathname: '/students/[studentId]', params: { studentId: student.id } });
      }}
      style={{
        minHeight: wide ? 48 : rowHeight,
        justifyContent: 'center',
        borderTopWidth: under ? 1 : 0,
        borderColor: palette.line,
      }}
    >
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          gap: space(wide ? 4 : 2),
          paddingHorizontal: space(wide ? 4 : 3),
        }}
      >
        <View style={wide ? { width: columns.name } : { flex: 1 }}>
          <Words size={wide ? 'text' : 'name'} bold={reason?.needs} lines={1}>
            {name}
          </Words>
          {wide ? null : reason?.needs ? why : <Numbers words={numbers} />}
        </View>
        {path ?? (wide ? <View style={{ width: columns.path }} /> : null)}
        {wide ? (
          <>
            <Figure width={columns.there}>{numbers[0]}</Figure>
            <Figure width={columns.heard}>{numbers[1]}</Figure>
            {hasWork ? <Figure width={columns.work}>{numbers[2]}</Figure> : null}
            <View style={{ flex: 1 }}>{why}</View>
          </>
        ) : null}
      </View>
    </TouchableRipple>
  );
}

function Numbers({ words }: { words: readonly string[] }) {
  return (
    <Words size="small" tone="inkQuiet" lines={1} figures>
      {words.filter(Boolean).join(' · ')}
    </Words>
  );
}

function Figure({ width, children }: { width: number; children: string | undefined }) {
  return (
    <View style={{ width, alignItems: 'flex-end' }}>
      <Words figures tone="inkQuiet" lines={1}>
        {children ?? ''}
      </Words>
    </View>
  );
}
