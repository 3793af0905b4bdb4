import { useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { errorsOf, useTry } from '../../forms/useTry';
import { Welcome } from '../accounts/Welcome';
import { ApiProblem, ask, post } from '../../sync/api';

type Invitation = AnswerOf<'invitation'>;

/** What a link leads to; undefined while it is asked for. */
function useInvitation(token: string): Invitation | ApiProblem | undefined {
  const [found, setFound] = useState<Invitation | ApiProblem>();
  useEffect(() => {
    ask(addressOf('invitation', { token })).then(setFound, (error: unknown) => {
      setFound(error instanceof ApiProblem ? error : new ApiProblem(0, 'Something broke here. Try again.'));
    });
  }, [token]);
  return found;
}

const roleWords: Record<Invitation['role'], string> = {
  teacher: 'a teacher',
  assistant: 'an assistant',
  reader: 'a reader',
};

function Accept({ token, invitation }: { token: string; invitation: Invitation }) {
  const [name, setName] = useState(invitation.name);
  const [passphrase, setPassphrase] = useState('');
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const accept = () => {
    run(async () => {
      await post(addressOf('acceptInvitation', { token }), { name, passphrase });
      location.assign('/');
    });
  };
  const { schoolName, invitedBy, role, className } = invitation;
  return (
    <Welcome title={`Welcome to ${schoolName}`}>
      <Words>
        {`${invitedBy} invites you as ${roleWords[role]}${className ? `, and to ${className}` : ''}. Say what you are called and choose a passphrase; then you are in.`}
      </Words>
      <Field label="Your name" value={name} onChange={setName} error={errors.of('name')} />
      <Field
        label="Passphrase"
        value={passphrase}
        onChange={setPassphrase}
        secret
        error={errors.of('passphrase')}
        hint="At least 10 characters; a few words you can remember are best"
        onSubmit={accept}
      />
      {errors.whole ? (
        <Words tone="ember" live>
          {errors.whole}
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action label="Come in" kind="main" onPress={accept} disabled={busy} />
        {problem?.status === 409 && errors.whole ? <ToStart /> : null}
      </View>
    </Welcome>
  );
}

function ToStart() {
  return (
    <Action
      label="Open Slate Path"
      onPress={() => {
        location.assign('/');
      }}
    />
  );
}

/** For whoever was sent an invitation. */
export function JoinScreen() {
  const { token } = useLocalSearchParams<{ token: string }>();
  const found = useInvitation(token);
  if (!found) return null;
  if (found instanceof ApiProblem)
    return (
      <Welcome title={found.status === 410 ? 'This invitation has ended' : 'No invitation here'}>
        <Words>{found.detail}</Words>
        <View style={{ flexDirection: 'row' }}>
          <ToStart />
        </View>
      </Welcome>
    );
  return <Accept token={token} invitation={found} />;
}
