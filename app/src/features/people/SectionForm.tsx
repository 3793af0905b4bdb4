import { useRouter } from 'expo-router';
import { useState } from 'react';
import type { Section } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Words } from '../../parts/Words';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { forgetTyped } from '../../parts/typed';
import { check } from '../../forms/check';
import { makeChange, newId } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';

/** A class: added, or its name, subject and room changed. */
export default function SectionForm({ section, onClose }: { section?: Section; onClose: () => void }) {
  const router = useRouter();
  const [name, setName] = useState(section?.name ?? '');
  const [subject, setSubject] = useState(section?.subject ?? '');
  const [room, setRoom] = useState(section?.room ?? '');
  const [withId, setWithId] = useState(section?.taughtWithId ?? '');
  const [error, setError] = useState<string>();
  const others = Object.values(useRecords((state) => state.current.section)).filter(
    ({ id, removed }) => !removed && id !== section?.id,
  );
  const form = `class ${section?.id ?? 'new'}`;
  const accept = async () => {
    const { data, errors } = await check('SectionFields', { name, subject, room });
    if (errors) {
      setError(Object.values(errors)[0]);
      return;
    }
    const id = section?.id ?? newId();
    makeChange('section.set', { id, ...data }, id);
    if (withId !== (section?.taughtWithId ?? ''))
      makeChange('section.taughtWith', { id, withId: withId === '' ? null : withId }, id);
    forgetTyped(form);
    onClose();
    if (!section) router.push({ pathname: '/classes/[sectionId]', params: { sectionId: id } });
  };
  return (
    <Sheet title={section ? 'Change the class' : 'A new class'} about={form} onClose={onClose}>
      <Field label="Name" value={name} onChange={setName} error={error} placeholder="Boat Workshop" />
      <Field label="Subject (may stay empty)" value={subject} onChange={setSubject} />
      <Field label="Room (may stay empty)" value={room} onChange={setRoom} onSubmit={() => void accept()} />
      {others.length > 0 ? (
        <>
          <Words size="small" tone="inkQuiet">
            Taught together with: where their lessons meet, both have one roll
          </Words>
          <Choice
            name="Taught together with"
            value={withId}
            options={[
              { value: '', label: 'No other' },
              ...others.map(({ id, name: label }) => ({ value: id, label })),
            ]}
            onChange={setWithId}
          />
        </>
      ) : null}
      <Action label={section ? 'Change' : 'Add the class'} kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}
