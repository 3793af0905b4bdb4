import { useState } from 'react';
import { View } from 'react-native';
import type { CircleMember, LookFor } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { makeChange } from '../records/outbox';

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
  const [text, setText] = useState(feedback);
  const [goal, setGoal] = useState(member.nextLookForId ?? '');
  const [count, setCount] = useState(String(member.nextCount ?? 2));
  const { circleId, studentId } = member;
  const tooLong = text.trim().length > most;
  const accept = () => {
    if (text.trim() !== feedback)
      makeChange('circle.feedback', { circleId, studentId, feedback: text.trim() }, circleId);
    const next = { nextLookForId: goal || null, nextCount: goal ? Number(count) : null };
    if (next.nextLookForId !== member.nextLookForId || next.nextCount !== member.nextCount)
      makeChange('circle.nextGoal', { circleId, studentId, ...next }, circleId);
    onClose();
  };
  return (
    <Sheet title={name} note="Drafted from what was counted; the words are yours." onClose={onClose}>
      <Field
        label="Feedback"
        value={text}
        onChange={setText}
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
        onChange={setGoal}
      />
      {goal ? <Choice name="How often" value={count} options={counts} onChange={setCount} /> : null}
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        <Action label="Keep it" kind="main" disabled={tooLong} onPress={accept} />
      </View>
    </Sheet>
  );
}
