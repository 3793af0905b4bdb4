import { useState } from 'react';
import type { Standing } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { makeChange } from '../../../sync/outbox';
import { about, marksWords, meaningOf } from './words';

interface MergeSheetProps {
  standing: Standing;
  others: readonly Standing[];
  marks: number;
  /** In how many classes the marks are. */
  sections: number;
  onClose: () => void;
}

/** One kind into another, with what that does before it is done. */
export function MergeSheet({ standing, others, marks, sections, onClose }: MergeSheetProps) {
  const [intoId, setIntoId] = useState('');
  const into = others.find(({ id }) => id === intoId);
  const same = into && meaningOf(into) === meaningOf(standing);
  const where = sections > 1 ? ` in ${sections} classes` : '';
  return (
    <Sheet title={`Merge “${standing.name}” into`} onClose={onClose}>
      <Choice
        name="Merge into"
        value={intoId}
        options={others.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setIntoId}
      />
      {into ? (
        <>
          <Words live>
            {marks === 0
              ? `No mark has “${standing.name}”; nothing recorded changes.`
              : `${marksWords(marks)}${where} will read “${into.name}”${
                  same
                    ? ', with the same meaning: no sum changes.'
                    : `: ${meaningOf(into)}, instead of ${meaningOf(standing)}.`
                }`}
          </Words>
          <Action
            label={`Merge into ${into.name}`}
            kind="main"
            onPress={() => {
              makeChange('standing.merge', { id: standing.id, intoId: into.id }, about);
              onClose();
            }}
          />
        </>
      ) : (
        <Words tone="inkQuiet">
          Choose one; what changes is said before it is done. It can be taken back.
        </Words>
      )}
    </Sheet>
  );
}
