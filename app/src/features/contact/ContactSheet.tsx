import { displayName } from '@slate-path/core/people/names';
import type { ContactTone } from '@slate-path/core/contact/tones';
import type { Step, Student } from '@slate-path/core/records/schema';
import { Sheet } from '../../parts/Sheet';
import { ContactForm } from './ContactForm';

interface ContactSheetProps {
  student: Student;
  /** The concern that it is about, where it is one. */
  concern: Pick<Step, 'sectionId' | 'concern'> | null;
  tone: ContactTone;
  history: string;
  onClose: () => void;
}

/** A call, a talk or a letter on paper with a student or at home, noted. */
export function ContactSheet({ student, concern, tone, history, onClose }: ContactSheetProps) {
  const form = `contact ${student.id}`;
  const about = { studentId: student.id, sectionId: null, concern: null, ...concern };
  return (
    <Sheet
      title={displayName(student)}
      note="A call, a talk, a letter on paper"
      about={form}
      onClose={onClose}
    >
      <ContactForm {...{ about, tone, form, history }} onDone={onClose} />
    </Sheet>
  );
}
