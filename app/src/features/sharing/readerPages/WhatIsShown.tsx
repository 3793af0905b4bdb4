import { View } from 'react-native';
import { localMoment } from '@slate-path/core/calendar/zone';
import { listOf } from '@slate-path/core/records/records';
import type { LookFor, Section, Tally } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { dayMonth } from '../../../parts/dates';
import { Field } from '../../../parts/Field';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { zoneOf } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { useNotesAbout } from '../../notes/ties';
import { withOrWithout } from '../withOrWithout';
import { partNames, writtenOfWatch, type PageForm, type Part, type Subject } from './form';

interface WhatIsShownProps {
  subject: Subject;
  form: PageForm;
  onChange: (some: Partial<PageForm>) => void;
}

const parts = Object.entries(partNames).map(([value, label]) => ({ value: value as Part, label }));
const partsOfClass = parts.filter(({ value }) => value !== 'circles' && value !== 'nods');

/** Look-fors of which something was counted of one of some students, or in a class. */
function useCounted(studentIds: readonly string[], section: Section | null): LookFor[] {
  const current = useRecords((state) => state.current);
  const isOf = ({ studentId, lessonId }: Tally) =>
    section
      ? current.lesson[lessonId]?.sectionId === section.id
      : studentId !== null && studentIds.includes(studentId);
  const ids = new Set(listOf(current, 'tally').flatMap((tally) => (isOf(tally) ? [tally.lookForId] : [])));
  return [...ids].flatMap((id) => current.lookFor[id] ?? []).sort((a, b) => a.name.localeCompare(b.name));
}

/** Which parts of what is recorded of a student, or of a class, a reader is shown. Nothing is chosen by itself but attendance. */
export function WhatIsShown({ subject: { student, section }, form, onChange }: WhatIsShownProps) {
  const studentIds = student ? [student.id, ...form.others] : [];
  const current = useRecords((state) => state.current);
  const zone = zoneOf(Object.values(current.school)[0]);
  const lookFors = useCounted(studentIds, section);
  const notes = useNotesAbout(studentIds).filter(({ own }) => !own);
  const steps = listOf(current, 'step').filter(({ studentId }) => studentIds.includes(studentId));
  const dayOf = (instant: string) => dayMonth(localMoment(Date.parse(instant), zone).date);
  return (
    <View style={{ gap: space(3) }}>
      <View role="group" aria-label="Parts of the page">
        {(section ? partsOfClass : parts).map(({ value, label }) => (
          <TickRow
            key={value}
            name={label}
            ticked={form.parts.has(value)}
            onChange={(isIn) => {
              onChange({ parts: withOrWithout(form.parts, value, isIn) });
            }}
          >
            <Words>{label}</Words>
          </TickRow>
        ))}
      </View>
      {lookFors.length > 0 ? (
        <View role="group" aria-label="Look-fors on the page">
          <Words size="small" tone="inkQuiet">
            Look-fors, each with its chart
          </Words>
          {lookFors.map(({ id, name }) => (
            <View key={id}>
              <TickRow
                name={name}
                ticked={form.lookForIds.has(id)}
                onChange={(isIn) => {
                  onChange({ lookForIds: withOrWithout(form.lookForIds, id, isIn) });
                }}
              >
                <Words>{name}</Words>
              </TickRow>
              {form.lookForIds.has(id) ? (
                <Field
                  label={`What you say of: ${name} (may stay empty)`}
                  value={form.comments[id] ?? ''}
                  onChange={(comment) => {
                    onChange({ comments: { ...form.comments, [id]: comment } });
                  }}
                />
              ) : null}
            </View>
          ))}
        </View>
      ) : null}
      {section ? null : (
        <>
          <WatchedOnPage {...{ studentIds, form, onChange }} />
          <Chosen
            title="Steps"
            lines={steps.map(({ id, kind, text, at }) => ({
              id,
              words: `${dayOf(at)}: ${text ? `${kind}, ${text}` : kind}`,
            }))}
            chosen={form.stepIds}
            onChange={(stepIds) => {
              onChange({ stepIds });
            }}
          />
          <Chosen
            title="Notes"
            lines={notes.map(({ id, text, at }) => ({ id, words: `${dayOf(at)}: ${text}` }))}
            chosen={form.noteIds}
            onChange={(noteIds) => {
              onChange({ noteIds });
            }}
          />
        </>
      )}
    </View>
  );
}

interface ChosenProps {
  title: 'Notes' | 'Steps';
  lines: readonly { id: string; words: string }[];
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
}

const nothing = { Notes: 'No note about them but your own ones, which never go.', Steps: '' };

/** Records that go along one by one. */
function Chosen({ title, lines, chosen, onChange }: ChosenProps) {
  if (lines.length === 0)
    return nothing[title] ? (
      <Words size="small" tone="inkQuiet">
        {nothing[title]}
      </Words>
    ) : null;
  return (
    <View>
      <Words size="small" tone="inkQuiet">
        {`${title}: ${chosen.size} of ${many(lines.length, title === 'Notes' ? 'note' : 'step')} chosen`}
      </Words>
      <View style={{ maxHeight: 260, overflowY: 'auto' } as object}>
        {lines.map(({ id, words }) => (
          <TickRow
            key={id}
            name={words}
            ticked={chosen.has(id)}
            onChange={(isIn) => {
              onChange(withOrWithout(chosen, id, isIn));
            }}
          >
            <Words lines={2}>{words}</Words>
          </TickRow>
        ))}
      </View>
    </View>
  );
}

/** What was watched closely of some students, with what is said of it; the summary that was written there stands in it first. */
function WatchedOnPage({
  studentIds,
  form,
  onChange,
}: Pick<WhatIsShownProps, 'form' | 'onChange'> & { studentIds: readonly string[] }) {
  const current = useRecords((state) => state.current);
  const plans = listOf(current, 'observationPlan').filter((plan) =>
    plan.studentIds.some((id) => studentIds.includes(id)),
  );
  if (plans.length === 0) return null;
  return (
    <View role="group" aria-label="Close watch on the page">
      <Words size="small" tone="inkQuiet">
        Close watch, each with its chart
      </Words>
      {plans.map(({ id, name }) => (
        <View key={id}>
          <TickRow
            name={name}
            ticked={form.planIds.has(id)}
            onChange={(isIn) => {
              const written = writtenOfWatch(current.observationComment, id, studentIds[0] ?? '');
              onChange({
                planIds: withOrWithout(form.planIds, id, isIn),
                comments: { ...form.comments, [id]: form.comments[id] ?? written },
              });
            }}
          >
            <Words>{name}</Words>
          </TickRow>
          {form.planIds.has(id) ? (
            <Field
              label={`What you say of: ${name} (may stay empty)`}
              value={form.comments[id] ?? ''}
              multiline
              onChange={(comment) => {
                onChange({ comments: { ...form.comments, [id]: comment } });
              }}
            />
          ) : null}
        </View>
      ))}
    </View>
  );
}
