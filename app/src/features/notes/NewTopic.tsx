import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { shortDay } from '../../parts/dates';
import { Page } from '../../parts/Page';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { Typing } from '../../parts/Typing';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { check } from '../../forms/check';
import { makeChange, newId } from '../../sync/outbox';
import { Passage } from './Offers';
import { useMoment } from './ties';
import { blankTopic, TopicFieldsForm } from './TopicFieldsForm';
import { useOffers, type Offer } from './useOffers';
import { topicsHistory } from './write';

/** A new topic, and the notes that spoke of it before there was one. */
export function NewTopic({ name }: { name: string }) {
  const router = useRouter();
  const wide = useWide();
  const [fields, setFields] = useState({ ...blankTopic, name });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const { offers, state } = useOffers([fields.name, ...fields.alsoCalled], null);
  const taken = offers.filter(({ note }) => !left.has(note.id));
  const form = `topic new ${name}`;
  const accept = async () => {
    const read = await check('TopicFields', fields);
    setErrors(read.errors ?? {});
    if (!read.data) return;
    const id = newId();
    const marks = taken.map(({ note, spans }) => ({ noteId: note.id, spans }));
    makeChange('topic.add', { id, ...read.data, marks }, topicsHistory);
    forgetTyped(form);
    router.replace({ pathname: '/topics/[topicId]', params: { topicId: id } });
  };
  const label =
    taken.length === 0
      ? 'Make the topic'
      : `Make it, with ${taken.length === 1 ? 'this note' : `these ${taken.length} notes`}`;
  return (
    <Page
      title="A new topic"
      note="Earlier notes that speak of it are found as you type"
      back={{ to: '/topics', name: 'Topics' }}
    >
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(6),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <View style={{ width: wide ? 360 : undefined, gap: space(3) }}>
          <Typing about={form}>
            <TopicFieldsForm fields={fields} errors={errors} onChange={setFields} />
          </Typing>
          <Action label={label} kind="main" onPress={() => void accept()} />
        </View>
        <View style={{ flex: wide ? 1 : undefined, gap: space(2) }}>
          {offers.length > 0 ? (
            <>
              <Words size="large" serif heading={2}>
                {offers.length === 1 ? '1 note speaks of it' : `${offers.length} notes speak of it`}
              </Words>
              <Card style={{ padding: 0 }}>
                {offers.map((offer) => (
                  <OfferRow
                    key={offer.note.id}
                    offer={offer}
                    ticked={!left.has(offer.note.id)}
                    onChange={(ticked) => {
                      setLeft((last) => {
                        const next = new Set(last);
                        if (ticked) next.delete(offer.note.id);
                        else next.add(offer.note.id);
                        return next;
                      });
                    }}
                  />
                ))}
              </Card>
            </>
          ) : (
            <Words tone="inkQuiet">
              {state === 'no_answer'
                ? 'The server does not answer; earlier notes can be marked later.'
                : fields.name.trim().length < 2
                  ? ''
                  : state === 'asking'
                    ? 'Looking for earlier notes…'
                    : 'No earlier note speaks of it.'}
            </Words>
          )}
        </View>
      </View>
    </Page>
  );
}

function OfferRow({
  offer,
  ticked,
  onChange,
}: {
  offer: Offer;
  ticked: boolean;
  onChange: (ticked: boolean) => void;
}) {
  const moment = useMoment(offer.note);
  return (
    <TickRow
      name={`${shortDay(moment.date)}: ${offer.note.text.slice(0, 80)}`}
      ticked={ticked}
      onChange={onChange}
    >
      <Words size="small" tone="inkQuiet" figures>
        {shortDay(moment.date)}
      </Words>
      <Passage offer={offer} />
    </TickRow>
  );
}
