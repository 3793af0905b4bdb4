import { useRouter } from 'expo-router';
import { useState } from 'react';
import { standingTopics } from '@slate-path/core/notes/topics';
import type { Topic } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { check } from '../../forms/check';
import { makeChange } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import { TopicFieldsForm } from './TopicFieldsForm';
import { topicsHistory } from './write';

/** Another name, other words, a trouble or not: notes that are marked stay so. */
export function TopicSheet({ topic, onClose }: { topic: Topic; onClose: () => void }) {
  const { id, name, trouble, alsoCalled } = topic;
  const [fields, setFields] = useState({ name, trouble, alsoCalled });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `topic ${id}`;
  const accept = async () => {
    // Under the old name it is still found.
    const words = fields.name === name ? fields.alsoCalled : [...new Set([...fields.alsoCalled, name])];
    const read = await check('TopicFields', {
      ...fields,
      alsoCalled: words
        .map((word) => word.trim())
        .filter((word) => word !== '' && word !== fields.name.trim()),
    });
    setErrors(read.errors ?? {});
    if (!read.data) return;
    makeChange('topic.set', { id, ...read.data }, topicsHistory);
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet title="Change the topic" about={form} onClose={onClose}>
      <TopicFieldsForm fields={fields} errors={errors} onChange={setFields} />
      <Action label="Change" kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}

/** Two topics that are one: the notes of this one go to the other. */
export function MergeTopicSheet({ topic, onClose }: { topic: Topic; onClose: () => void }) {
  const router = useRouter();
  const topics = useRecords((state) => state.current.topic);
  const others = standingTopics(topics).filter(({ id }) => id !== topic.id);
  const merge = (into: Topic) => {
    const names = new Set(
      [...into.alsoCalled, topic.name, ...topic.alsoCalled].filter((name) => name !== into.name),
    );
    makeChange(
      'topic.merge',
      { id: topic.id, intoId: into.id, alsoCalled: [...names].slice(0, 40) },
      topicsHistory,
    );
    onClose();
    router.replace({ pathname: '/topics/[topicId]', params: { topicId: into.id } });
  };
  return (
    <Sheet
      title={`Merge ${topic.name} into`}
      note="All its notes are then the other one’s, and its words are found as the other one."
      onClose={onClose}
    >
      {others.length === 0 ? <Words tone="inkQuiet">There is no other topic.</Words> : null}
      {others.map((other) => (
        <Action
          key={other.id}
          label={other.name}
          name={`Merge into ${other.name}`}
          onPress={() => {
            merge(other);
          }}
        />
      ))}
    </Sheet>
  );
}
