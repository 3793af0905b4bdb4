import { View } from 'react-native';
import type { CircleMember, LookFor } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { useWritten } from '../../../parts/useWritten';
import { space } from '../../../theme/tokens';
import { PhraseButton } from '../../phrases/PhraseButton';
import { makeChange } from '../../../sync/outbox';

interface FeedbackSheetProps {
  member: CircleMember;
  name: string;
  /** As written, or as drafted. */
  feedback: string;
  lookFors: readonly LookFor[];
  onClose: () => void;
}

const most = 1000;
const counts = ['1', '2', '3', '4', '5'].map((value) => ({ value, label: value }));

/** What one student gets back, and the goal for the next circle. */
export function FeedbackSheet({ member, name, feedback, lookFors, onClose }: FeedbackSheetProps) {
  const { circleId, studentId } = member;
  const written = useWritten(`feedback ${circleId} ${studentId}`, feedback, (typed) => {
    const text = typed.trim();
    if (text.length > most) return false;
    if (text !== feedback) makeChange('circle.feedback', { circleId, studentId, feedback: text }, circleId);
    return true;
  });
  const goal = member.nextLookForId ?? '';
  const count = String(member.nextCount ?? 2);
  const setGoal = (nextLookForId: string, nextCount: string) => {
    const next = nextLookForId
      ? { nextLookForId, nextCount: Number(nextCount) }
      : { nextLookForId: null, nextCount: null };
    makeChange('circle.nextGoal', { circleId, studentId, ...next }, circleId);
  };
  const tooLong = written.text.trim().length > most;
  return (
    <Sheet title={name} note="Drafted from what was counted; the words are yours." onClose={onClose}>
      <Field
        label="Feedback"
        value={written.text}
        onChange={written.write}
        onLeave={written.save}
        end={
          <PhraseButton
            about={{ studentId, sectionId: null, lesson: null }}
            text={written.text}
            onChange={written.write}
          />
        }
        multiline
        error={tooLong ? 'At most 1,000 characters; nothing is lost, shorten it.' : undefined}
      />
      <Words bold>Goal for the next circle</Words>
      <Choice
        name="Next goal"
        value={goal}
        options={[
          { value: '', label: 'None' },
          ...lookFors
            .filter(({ tone }) => tone !== 'unwanted')
            .map(({ id, name: label }) => ({ value: id, label })),
        ]}
        onChange={(next) => {
          setGoal(next, count);
        }}
      />
      {goal ? (
        <Choice
          name="How often"
          value={count}
          options={counts}
          onChange={(next) => {
            setGoal(goal, next);
          }}
        />
      ) : null}
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        <Action label="Done" kind="main" disabled={tooLong} onPress={onClose} />
      </View>
    </Sheet>
  );
}
