import { useRouter } from 'expo-router';
import { useState } from 'react';
import type { Section } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { check } from '../forms/check';
import { makeChange, newId } from '../records/outbox';

/** A class: added, or its name, subject and room changed. */
export function SectionForm({ section, onClose }: { section?: Section; onClose: () => void }) {
  const router = useRouter();
  const [name, setName] = useState(section?.name ?? '');
  const [subject, setSubject] = useState(section?.subject ?? '');
  const [room, setRoom] = useState(section?.room ?? '');
  const [error, setError] = useState<string>();
  const accept = async () => {
    const { data, errors } = await check('SectionFields', { name, subject, room });
    if (errors) {
      setError(Object.values(errors)[0]);
      return;
    }
    const id = section?.id ?? newId();
    makeChange('section.set', { id, ...data }, id);
    onClose();
    if (!section) router.push({ pathname: '/classes/[sectionId]', params: { sectionId: id } });
  };
  return (
    <Sheet title={section ? 'Change the class' : 'A new class'} onClose={onClose}>
      <Field label="Name" value={name} onChange={setName} error={error} placeholder="Boat Workshop" />
      <Field label="Subject (may stay empty)" value={subject} onChange={setSubject} />
      <Field label="Room (may stay empty)" value={room} onChange={setRoom} onSubmit={() => void accept()} />
      <Action label={section ? 'Change' : 'Add the class'} kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}
