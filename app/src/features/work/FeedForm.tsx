import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { errorsOf, useTry } from '../../forms/useTry';
import { space } from '../../theme/tokens';
import { post } from '../../sync/api';
import { newId } from '../../sync/outbox';
import type { Feed } from './feed';

interface FeedFormProps {
  sectionId: string;
  /** The one that is changed; none for a new one. */
  feed?: Feed;
  onDone: () => void;
  onCancel?: () => void;
}

/** Where a platform is, and with what it is asked. Once it is kept it is asked at once, so that one sees whether it works. */
export function FeedForm({ sectionId, feed, onDone, onCancel }: FeedFormProps) {
  const [feedId] = useState(() => feed?.id ?? newId());
  const [name, setName] = useState(feed?.name ?? '');
  const [address, setAddress] = useState(feed?.address ?? '');
  const [userName, setUserName] = useState(feed?.userName ?? '');
  const [password, setPassword] = useState('');
  const [course, setCourse] = useState(feed?.course ?? '');
  const [run, problem, busy] = useTry();
  const errors = errorsOf(problem);
  const keep = () => {
    run(async () => {
      const kept = feed && password === '' ? null : password;
      const settings = { id: feedId, name, address, userName, password: kept, course };
      await post(addressOf('setFeed', { sectionId }), settings);
      await post(addressOf('askFeed', { sectionId, feedId }), {});
      onDone();
    });
  };
  return (
    <View style={{ gap: space(3) }}>
      <Field
        label="What you call it"
        value={name}
        onChange={setName}
        error={errors.of('name')}
        placeholder="Log book of the school"
      />
      <Field
        label="Address of its record store"
        value={address}
        onChange={setAddress}
        error={errors.of('address')}
        keyboard="url"
        placeholder="https://platform.school.example/xapi"
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        <Field label="User name" value={userName} onChange={setUserName} error={errors.of('userName')} />
        <Field
          label={feed ? 'Password (empty: as it was)' : 'Password'}
          value={password}
          onChange={setPassword}
          error={errors.of('password')}
          secret
        />
      </View>
      <Field
        label="Only this course (its address on the platform; may stay empty)"
        value={course}
        onChange={setCourse}
        error={errors.of('course')}
        keyboard="url"
        onSubmit={keep}
      />
      <Words size="small" tone="inkQuiet">
        Whoever runs the platform gives you these. The password stays on the server, encrypted; it goes into
        no file, copy or backup.
      </Words>
      {errors.whole ? (
        <Words tone="ember" live>
          {errors.whole}
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label={busy ? 'Asking it…' : 'Keep and ask it'}
          kind="main"
          disabled={busy || name.trim() === '' || address.trim() === ''}
          onPress={keep}
        />
        {onCancel ? <Action label="Leave it as it was" onPress={onCancel} /> : null}
      </View>
    </View>
  );
}
