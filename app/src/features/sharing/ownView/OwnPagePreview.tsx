import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { Given } from '@slate-path/core/api/contract';
import { displayName } from '@slate-path/core/people/names';
import { Card } from '../../../parts/Card';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { post } from '../../../sync/api';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useRecords } from '../../../sync/useRecords';
import { FrameOfPage } from '../FrameOfPage';
import { useSettled } from '../useSettled';
import type { OwnViewSettings } from './view';

interface OwnPagePreviewProps {
  sectionId: string;
  /** Null: nothing is chosen. */
  settings: OwnViewSettings | null;
  studentIds: readonly string[];
}

/** A student's own page as the student would see it. */
export function OwnPagePreview({ sectionId, settings, studentIds }: OwnPagePreviewProps) {
  const current = useRecords((state) => state.current);
  const order = useNameOrder();
  const students = studentIds
    .flatMap((id) => (current.student[id] ? [{ student: current.student[id] }] : []))
    .sort(byStudent(order))
    .map(({ student }) => student);
  const [chosen, setChosen] = useState<string | null>(null);
  const studentId = chosen ?? students[0]?.id;
  const asked = settings && studentId !== undefined ? JSON.stringify({ settings, studentId }) : null;
  const { answer, problem } = useSettled(asked, (text) =>
    post(addressOf('previewOwnView', { sectionId }), JSON.parse(text) as Given<'previewOwnView', 'body'>),
  );
  if (studentId === undefined) return <Words tone="inkQuiet">Nobody is in this class yet.</Words>;
  return (
    <View style={{ gap: space(3) }}>
      <Card>
        <Sentence
          parts={[
            'As seen by ',
            choicePhrase({
              name: 'choose a student',
              value: studentId,
              options: students.map((student) => ({ value: student.id, label: displayName(student) })),
              onChange: setChosen,
            }),
            '.',
          ]}
        />
        {problem ? <Words tone="ember">{problem.detail}</Words> : null}
        {asked === null ? <Words tone="inkQuiet">Choose what they see.</Words> : null}
      </Card>
      {answer !== null && asked !== null ? (
        <FrameOfPage title="The page as a student sees it" html={answer.html} />
      ) : null}
    </View>
  );
}
