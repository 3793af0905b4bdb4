import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { draftSummary } from '@slate-path/core/observation/closeWatch/draft';
import { planHistory } from '@slate-path/core/observation/closeWatch/history';
import { commentId } from '@slate-path/core/observation/closeWatch/ids';
import { longestComment } from '@slate-path/core/observation/closeWatch/limits';
import type { StudentWatch } from '@slate-path/core/observation/closeWatch/ofStudent';
import type { ObservationPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { Field } from '../../../parts/Field';
import { useWritten } from '../../../parts/useWritten';
import { Words } from '../../../parts/Words';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { space } from '../../../theme/tokens';

interface WatchSummaryProps {
  plan: ObservationPlan;
  studentId: string;
  /** As the student is called. */
  name: string;
  watch: StudentWatch;
}

/** A summary of one student's sessions: drafted, set right by the teacher, and the way to a reader. */
export function WatchSummary({ plan, studentId, name, watch }: WatchSummaryProps) {
  const router = useRouter();
  const id = commentId(plan.id, studentId);
  const kept = useRecords(({ current }) => current.observationComment[id]?.text ?? '');
  const written = useWritten(`close watch ${id}`, kept, (typed) => {
    const text = typed.trim();
    if (text.length > longestComment) return false;
    if (text !== kept)
      makeChange('observationComment.set', { id, planId: plan.id, studentId, text }, planHistory(plan.id));
    return true;
  });
  const draft = () =>
    draftSummary({
      ...{ name, plan, phases: watch.phases, observedSeconds: watch.observedSeconds },
      ...{ beforeAfter: watch.beforeAfter, dayWords: dayMonth },
      agreements: watch.pairs.flatMap(({ agreement }) =>
        agreement.percent === null ? [] : [agreement.percent],
      ),
    });
  const tooLong = written.text.trim().length > longestComment;
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Summary
      </Words>
      <Field
        label="In your words; it stands on the page that you pass on"
        value={written.text}
        onChange={written.write}
        onLeave={written.save}
        multiline
        error={tooLong ? 'At most 4,000 characters; nothing is lost, shorten it.' : undefined}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3), alignItems: 'center' }}>
        <Action
          label="Pass it on"
          name="Pass it on: a page for a reader, or a PDF"
          kind="main"
          onPress={() => {
            written.save();
            router.push({
              pathname: '/students/[studentId]/reader-page',
              params: { studentId, watch: plan.id },
            });
          }}
        />
        <Action
          label={written.text.trim() === '' ? 'Draft it from the sessions' : 'Draft it anew'}
          onPress={() => {
            written.write(draft());
          }}
        />
      </View>
    </Card>
  );
}
