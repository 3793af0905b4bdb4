import { useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Enrolment, Student } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { makeChange } from '../../sync/outbox';

interface CohortSheetProps {
  sectionId: string;
  people: readonly { student: Student; enrolment: Enrolment }[];
  onClose: () => void;
}

/** Puts several students of a class into a cohort, or out of theirs. */
export function CohortSheet({ sectionId, people, onClose }: CohortSheetProps) {
  const [cohort, setCohort] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const known = [...new Set(people.map(({ enrolment }) => enrolment.cohort).filter(Boolean))].sort();
  const form = `cohorts ${sectionId}`;
  const name = cohort.trim();
  return (
    <Sheet
      title="Cohorts"
      note="A part of the class that is counted and written to by itself."
      about={form}
      onClose={onClose}
    >
      <Field label="Cohort (empty: none)" value={cohort} onChange={setCohort} placeholder="Port watch" />
      {known.length > 0 ? (
        <Choice
          name="Cohorts there are"
          value={name}
          options={known.map((value) => ({ value, label: value }))}
          onChange={setCohort}
        />
      ) : null}
      <Action
        label={name ? `Put ${chosen.size} into ${name}` : `Take ${chosen.size} out of their cohort`}
        kind="main"
        disabled={chosen.size === 0}
        onPress={() => {
          makeChange('cohort.set', { sectionId, enrolmentIds: [...chosen], cohort: name }, sectionId);
          forgetTyped(form);
          setChosen(new Set());
        }}
      />
      <View>
        {people.map(({ student, enrolment }) => (
          <TickRow
            key={enrolment.id}
            name={`${displayName(student)}${enrolment.cohort ? `, ${enrolment.cohort}` : ''}`}
            ticked={chosen.has(enrolment.id)}
            onChange={(ticked) => {
              const next = new Set(chosen);
              if (ticked) next.add(enrolment.id);
              else next.delete(enrolment.id);
              setChosen(next);
            }}
          >
            <Words>{displayName(student)}</Words>
            {enrolment.cohort ? (
              <Words size="small" tone="inkQuiet">
                {enrolment.cohort}
              </Words>
            ) : null}
          </TickRow>
        ))}
      </View>
    </Sheet>
  );
}
