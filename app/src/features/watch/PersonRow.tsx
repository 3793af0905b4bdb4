import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { firstReason } from '@slate-path/core/watch/signals/firstReason';
import { groupBy } from '@slate-path/core/records/groupBy';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { dayMonth } from '../../parts/dates';
import { lazily } from '../../parts/lazily';
import { useSectionNames } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { usePalette, useWide } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import type { ActWay } from './ActSheet';
import { concernName } from './concernName';
import { SmallEvidence } from './SmallEvidence';
import { strengthWords, type Shown } from './useWatch';

const EvidenceChart = lazily(() => import('./EvidenceChart'));

/** Kept free until the chart is there, in pixels. */
const chart = { height: 128, width: 340 } as const;

/** What was done last, in one line; empty where nothing was. */
function lastStep({ steps }: Pick<Shown, 'steps'>): string {
  const [last] = steps;
  if (!last) return '';
  const again = last.lookAgainOn ? `, look again on ${dayMonth(last.lookAgainOn)}` : '';
  return `${last.kind} on ${dayMonth(last.at.slice(0, 10))}${again}.`;
}

const quietWords = ({ until, because }: NonNullable<Shown['quiet']>) =>
  until ? `Put aside until ${dayMonth(until)}.` : `No concern: ${because}`;

/** "Absent · 2 classes · since 30 Sep · very clear": what several classes show is said once. */
function reasonWords(same: readonly Shown[], classNames: Readonly<Record<string, string>>): string {
  const [first] = same;
  if (!first) return '';
  const sections = [...new Set(same.map(({ item }) => item.sectionId))];
  const where =
    sections.length === 1 ? (classNames[first.item.sectionId] ?? '') : `${sections.length} classes`;
  const since = same.map(({ item }) => item.since).sort()[0] ?? first.item.since;
  const strongest = Math.max(...same.map(({ item }) => item.strength));
  return [concernName(first.item.concern), where, `since ${dayMonth(since)}`, strengthWords(strongest)].join(
    ' · ',
  );
}

interface PersonRowProps {
  /** What concerns one student, in all classes, the strongest first. */
  shown: readonly [Shown, ...Shown[]];
  onAct: (way: ActWay) => void;
}

/** One student: since when, why we say so, and what to do next beside it. The row opens all evidence. */
export function PersonRow({ shown, onAct }: PersonRowProps) {
  const router = useRouter();
  const wide = useWide();
  const palette = usePalette();
  const classNames = useSectionNames();
  const [{ item, quiet }] = shown;
  const student = useRecords((state) => state.current.student[item.studentId]);
  if (!student) return null;
  const name = displayName(student);
  const [evidence] = item.evidence;
  const said = [...new Set(shown.map((one) => lastStep(one)))].filter(Boolean).join(' ');
  const open = () => {
    const about = { section: item.sectionId, student: item.studentId, concern: item.concern };
    router.push({ pathname: '/watch/concern', params: about });
  };
  const reasons = [...groupBy(shown, (one) => one.item.concern).values()];
  return (
    <View
      testID="concern-row"
      style={{
        flexDirection: 'row',
        gap: space(6),
        borderTopWidth: 1,
        borderColor: palette.line,
        paddingTop: space(3),
      }}
    >
      <View style={{ flex: 1 }}>
        <TapArea name={`All evidence on ${name}, ${item.concern}`} onTap={open} style={{ gap: 2 }}>
          <View
            style={{ flexDirection: 'row', gap: space(2), alignItems: 'center', minHeight: wide ? 0 : 40 }}
          >
            <View style={{ flex: 1 }}>
              <Words size="large" serif heading={2} lines={2}>
                {name}
              </Words>
            </View>
            {!wide && evidence ? <SmallEvidence evidence={evidence} /> : null}
          </View>
          {reasons.map((same) => (
            <View key={same[0]?.item.concern}>
              <Words bold tone={quiet ? 'inkQuiet' : 'ember'} size={wide ? 'text' : 'small'}>
                {reasonWords(same, classNames)}
              </Words>
              {(wide ? same : same.slice(0, 1)).map((one, index) => (
                <Words key={one.item.sectionId}>
                  {wide && index === 0 ? one.item.sentence : firstReason(one.item.sentence)}
                </Words>
              ))}
            </View>
          ))}
          {quiet || said ? (
            <Words size={wide ? 'text' : 'small'} tone="inkQuiet">
              {quiet ? quietWords(quiet) : said}
            </Words>
          ) : null}
        </TapArea>
        <Acts name={name} concern={item.concern} onAct={onAct} onEvidence={wide ? open : null} />
      </View>
      {wide && evidence ? (
        <View style={{ width: chart.width, minHeight: chart.height, paddingBottom: space(2) }}>
          <EvidenceChart evidence={evidence} spoken={item.sentence} />
        </View>
      ) : null}
    </View>
  );
}

interface ActsProps {
  name: string;
  concern: string;
  onAct: (way: ActWay) => void;
  onEvidence: (() => void) | null;
}

/** What can be done next, as words. */
function Acts({ name, concern, onAct, onEvidence }: ActsProps) {
  const word = (label: string, onTap: () => void, spoken = `${label}: ${name}, ${concern}`) => (
    <TapArea
      key={label}
      name={spoken}
      onTap={onTap}
      style={{ minHeight: target, minWidth: target, justifyContent: 'center', paddingHorizontal: space(2) }}
    >
      <Words bold tone="slate">
        {label}
      </Words>
    </TapArea>
  );
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', marginLeft: -space(2), columnGap: space(2) }}>
      {word('Talk', () => {
        onAct('talk');
      })}
      {word('Contact home', () => {
        onAct('home');
      })}
      {word('Put aside', () => {
        onAct('aside');
      })}
      {onEvidence ? word('All evidence', onEvidence, `All evidence: ${name}, ${concern}`) : null}
      {word(
        'More',
        () => {
          onAct('any');
        },
        `More: act on ${name}, ${concern}`,
      )}
    </View>
  );
}
