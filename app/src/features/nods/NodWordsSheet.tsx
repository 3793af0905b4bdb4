import { useState } from 'react';
import { shortName } from '@slate-path/core/people/names';
import type { Lesson, Nod } from '@slate-path/core/records/schema';
import { listed } from '@slate-path/core/words/listed';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { forgetTyped } from '../../parts/typed';
import { useRecords } from '../../sync/useRecords';
import { PhraseButton } from '../phrases/PhraseButton';
import { removeNods, setNods } from './giving';

interface NodWordsSheetProps {
  nods: readonly Nod[];
  lesson: Lesson | null;
  onClose: () => void;
}

const most = 200;

/** For what, where, and a few words: what goes home later says them too. */
export function NodWordsSheet({ nods, lesson, onClose }: NodWordsSheetProps) {
  const [first] = nods;
  const students = useRecords(({ current }) => current.student);
  const [reason, setReason] = useState(first?.reason ?? '');
  const [place, setPlace] = useState(first?.place ?? '');
  const [comment, setComment] = useState(first?.comment ?? '');
  const form = `nod ${first?.id ?? ''}`;
  const tooLong = [reason, place, comment].some((text) => text.trim().length > most);
  const names = nods.flatMap(({ studentId }) =>
    students[studentId] ? [shortName(students[studentId])] : [],
  );
  if (!first) return null;
  return (
    <Sheet title={`A nod to ${listed(names)}`} about={form} onClose={onClose}>
      <Field
        label="A few words"
        value={comment}
        onChange={setComment}
        error={
          comment.trim().length > most ? 'At most 200 characters; nothing is lost, shorten it.' : undefined
        }
        multiline
        end={
          <PhraseButton
            about={{ studentId: first.studentId, sectionId: first.sectionId, lesson }}
            text={comment}
            onChange={setComment}
          />
        }
      />
      <Field label="For what" value={reason} onChange={setReason} />
      <Field label="Where" value={place} onChange={setPlace} />
      <Action
        label="Keep"
        kind="main"
        disabled={tooLong}
        onPress={() => {
          setNods(nods, { reason: reason.trim(), place: place.trim(), comment: comment.trim() });
          forgetTyped(form);
          onClose();
        }}
      />
      <Action
        label={nods.length === 1 ? 'Remove this nod' : 'Remove these nods'}
        onPress={() => {
          removeNods(nods);
          forgetTyped(form);
          onClose();
        }}
      />
    </Sheet>
  );
}
