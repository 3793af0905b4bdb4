import { View } from 'react-native';
import { passageOf } from '@slate-path/core/notes/passage';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { shortDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useMoment } from './ties';
import type { Offer, Offered } from './useOffers';

type Marks = { noteId: string; spans: Offer['spans'] }[];

interface OffersProps {
  offers: Offered;
  onMark: (marks: Marks) => void;
  onLeave: (marks: Marks) => void;
}

const markOf = ({ note, spans }: Offer) => ({ noteId: note.id, spans });

/** Earlier notes that speak of a topic: marked one by one, or all. */
export function Offers({ offers: { offers, state, more }, onMark, onLeave }: OffersProps) {
  if (state === 'no_answer')
    return <Words tone="inkQuiet">Earlier notes are looked for when the server answers again.</Words>;
  if (offers.length === 0) return null;
  const count = `${offers.length}${more ? ' or more' : ''}`;
  return (
    <View style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        {offers.length === 1 ? '1 earlier note speaks of it' : `${count} earlier notes speak of it`}
      </Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label={offers.length === 1 ? 'Mark it' : `Mark all ${offers.length}`}
          kind="main"
          onPress={() => {
            onMark(offers.map(markOf));
          }}
        />
      </View>
      {offers.map((offer) => (
        <OfferCard
          key={offer.note.id}
          offer={offer}
          onMark={() => {
            onMark([markOf(offer)]);
          }}
          onLeave={() => {
            onLeave([markOf(offer)]);
          }}
        />
      ))}
    </View>
  );
}

/** The passage that speaks of it. */
export function Passage({ offer: { note, spans } }: { offer: Offer }) {
  const palette = usePalette();
  return (
    <Words>
      {passageOf(note.text, spans, 160).map(({ text, hit }, at) => (
        <Words key={at} bold={hit} style={hit ? { backgroundColor: palette.slateWash } : undefined}>
          {text}
        </Words>
      ))}
    </Words>
  );
}

function OfferCard({ offer, onMark, onLeave }: { offer: Offer; onMark: () => void; onLeave: () => void }) {
  const moment = useMoment(offer.note);
  const day = shortDay(moment.date);
  return (
    <Card style={{ gap: space(1), paddingVertical: space(3) }}>
      <Words size="small" tone="inkQuiet" figures>
        {day}
      </Words>
      <Passage offer={offer} />
      <View style={{ flexDirection: 'row', gap: space(2), marginBottom: -space(2) }}>
        <Action label="Mark" name={`Mark the note of ${day}`} onPress={onMark} />
        <Action label="Not this one" name={`Leave the note of ${day}`} onPress={onLeave} />
      </View>
    </Card>
  );
}
