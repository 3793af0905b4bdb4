import Copy from 'lucide-react-native/icons/copy';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { invitationDays } from '@slate-path/core/scopes/invitation';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Field } from '../../parts/Field';
import { lazily } from '../../parts/lazily';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { errorsOf, useTry } from '../../forms/useTry';
import { copyText } from '../../files/give';
import { post } from '../../sync/api';
import { renewViews } from '../../sync/views';
import type { Colleagues } from './colleagues';

// Its library does not come with the first screen.
const QrCode = lazily(() => import('../../parts/QrCode'));

type MemberRole = Colleagues['members'][number]['role'];

const roles: { value: MemberRole; label: string }[] = [
  { value: 'teacher', label: 'Teacher' },
  { value: 'assistant', label: 'Assistant' },
  { value: 'reader', label: 'Reader' },
];

const meaning: Record<MemberRole, string> = {
  teacher: 'A teacher has classes of their own, and whatever colleagues share with them.',
  assistant:
    'An assistant takes rolls and tallies in classes that are shared with them, and keeps notes of their own.',
  reader:
    'A reader, as a head or a counsellor, reads the paths of students that teachers give to them, and has no classes.',
};

/** A link for somebody who has no account yet. It is shown once. @param sectionId the class they come into, or none */
export default function InviteForm({ sectionId }: { sectionId: string | null }) {
  const [name, setName] = useState('');
  const [role, setRole] = useState<MemberRole>('teacher');
  const [email, setEmail] = useState('');
  const [made, setMade] = useState<{ token: string; mailed: boolean } | null>(null);
  const [told, setTold] = useState('');
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const make = () => {
    run(async () => {
      setMade(await post(addressOf('invite'), { name, role, sectionId, email }));
      renewViews();
    });
  };
  if (made !== null) {
    const link = `${location.origin}/join/${made.token}`;
    const sent = made.mailed
      ? `It is on its way to ${email}.`
      : email
        ? `No mail server is set up, so nothing goes to ${email}: hand the link on yourself.`
        : `Send this link to ${name}, or let them point a phone at it.`;
    return (
      <View style={{ gap: space(3), alignItems: 'center' }}>
        <QrCode text={link} size={220} name={`The invitation for ${name} as a QR code`} />
        <Words live>
          {told || `${sent} It is good for one person and ${invitationDays} days, and is shown only now.`}
        </Words>
        <Action
          label="Copy the link"
          icon={Copy}
          kind="main"
          onPress={() => void copyText(link, 'The link').then(setTold)}
        />
      </View>
    );
  }
  return (
    <View style={{ gap: space(3) }}>
      <Field
        label="Whom you invite"
        value={name}
        onChange={setName}
        error={errors.of('name')}
        onSubmit={make}
      />
      <Field
        label="Their e-mail (may stay empty)"
        value={email}
        onChange={setEmail}
        error={errors.of('email')}
        onSubmit={make}
      />
      <Choice
        name="As what"
        value={role}
        options={roles.filter(({ value }) => sectionId === null || value !== 'reader')}
        onChange={setRole}
      />
      <Words size="small" tone="inkQuiet">
        {meaning[role]}
      </Words>
      {errors.whole ? (
        <Words tone="ember" live>
          {errors.whole}
        </Words>
      ) : null}
      <View style={{ alignItems: 'flex-start' }}>
        <Action label="Make the link" kind="main" onPress={make} disabled={busy || !name.trim()} />
      </View>
    </View>
  );
}
