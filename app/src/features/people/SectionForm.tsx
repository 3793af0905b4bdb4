import { useRouter } from 'expo-router';
import { useState } from 'react';
import { recordFields, type Section } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { makeChange, newId } from '../records/outbox';

/** A class: added, or its name, subject and room changed. */
export function SectionForm({ section, onClose }: { section?: Section; onClose: () => void }) {
  const router = useRouter();
  const [name, setName] = useState(section?.name ?? '');
  const [subject, setSubject] = useState(section?.subject ?? '');
  const [room, setRoom] = useState(section?.room ?? '');
  const [error, setError] = useState<string>();
  const accept = () => {
    const read = recordFields.section.safeParse({ name, subject, room });
    if (!read.success) {
      setError(read.error.issues[0]?.message);
      return;
    }
    const id = section?.id ?? newId();
    makeChange('section.set', { id, ...read.data }, 'people');
    onClose();
    if (!section) router.push({ pathname: '/classes/[sectionId]', params: { sectionId: id } });
  };
  return (
    <Sheet title={section ? 'Change the class' : 'A new class'} onClose={onClose}>
      <Field label="Name" value={name} onChange={setName} error={error} placeholder="Boat Workshop" />
      <Field label="Subject (may stay empty)" value={subject} onChange={setSubject} />
      <Field label="Room (may stay empty)" value={room} onChange={setRoom} onSubmit={accept} />
      <Action label={section ? 'Change' : 'Add the class'} kind="main" onPress={accept} />
    </Sheet>
  );
}
