import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { lazily } from '../../parts/lazily';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { useSectionName } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { strengthWords, type Shown } from './useWatch';

const EvidenceChart = lazily(() => import('./EvidenceChart'));

/** Kept free until the chart is there, in pixels. */
const chartHeight = 104;

const concernNames = {
  absent: 'Absent',
  disengaged: 'Disengaged',
  struggling: 'Struggling',
  over_a_line: 'Over a line',
};
export const concernName = (concern: keyof typeof concernNames) => concernNames[concern];

/** What was done last, in one line. */
export function lastStep({ steps }: Pick<Shown, 'steps'>): string {
  const [last] = steps;
  if (!last) return 'Nothing was tried yet.';
  const again = last.lookAgainOn ? `, look again on ${dayMonth(last.lookAgainOn)}` : '';
  return `${last.kind} on ${dayMonth(last.at.slice(0, 10))}${again}.`;
}

/** One student with one concern: since when, why we say so, what was tried; and the way to act. */
export function ConcernCard({ shown, onAct }: { shown: Shown; onAct: () => void }) {
  const router = useRouter();
  const { item, quiet } = shown;
  const student = useRecords((state) => state.current.student[item.studentId]);
  const className = useSectionName(item.sectionId);
  const [first] = item.evidence;
  if (!student) return null;
  const name = displayName(student);
  const about = { section: item.sectionId, student: item.studentId, concern: item.concern };
  return (
    <Card style={{ gap: space(2) }}>
      <View
        style={{
          flexDirection: 'row',
          flexWrap: 'wrap',
          columnGap: space(3),
          alignItems: 'baseline',
          justifyContent: 'space-between',
        }}
      >
        <Words size="large" serif heading={2}>
          {name}
        </Words>
        <Words tone="inkQuiet">{className}</Words>
      </View>
      <Words bold tone={quiet ? 'inkQuiet' : 'ember'}>
        {`${concernName(item.concern)}, since ${dayMonth(item.since)}: ${strengthWords(item.strength)}`}
      </Words>
      <Words>{item.sentence}</Words>
      {first ? (
        <View style={{ minHeight: chartHeight }}>
          <EvidenceChart evidence={first} spoken={item.sentence} />
        </View>
      ) : null}
      <Words tone="inkQuiet">
        {quiet
          ? quiet.until
            ? `Put aside until ${dayMonth(quiet.until)}.`
            : `No concern: ${quiet.because}`
          : lastStep(shown)}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action label="Act" kind="main" name={`Act on ${name}, ${item.concern}`} onPress={onAct} />
        <Action
          label="All evidence"
          name={`All evidence on ${name}, ${item.concern}`}
          onPress={() => {
            router.push({ pathname: '/watch/concern', params: about });
          }}
        />
      </View>
    </Card>
  );
}
