import Star from 'lucide-react-native/icons/star';
import { useState } from 'react';
import { TouchableRipple } from 'react-native-paper';
import { findPhrases, type OfferedPhrase } from '@slate-path/core/phrases/order';
import type { Phrase } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { Field } from '../../parts/Field';
import { Page } from '../../parts/Page';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { makeChange } from '../../sync/outbox';
import { useAccount } from '../../sync/account';
import { TakeBack } from '../../sync/TakeBack';
import { usePalette } from '../../theme/theme';
import { radius, target } from '../../theme/tokens';
import { addPhrase, favour, phrasesHistory, useOffered } from './offers';
import { formOf, PhraseForm } from './PhraseForm';
import { PhraseRow } from './PhraseRow';

/** So many can be looked through; more are found by typing. */
const fewEnough = 8;

/** Sentences kept for reuse: favourites first, then what was used last. */
export function PhrasesScreen() {
  const offered = useOffered();
  const [typed, setTyped] = useState('');
  const [open, setOpen] = useState<Phrase | 'new' | null>(null);
  const found = findPhrases(offered, typed);
  const add = () => {
    setOpen('new');
  };
  const close = () => {
    setOpen(null);
  };
  return (
    <Page
      title="Phrases"
      note="Sentences you write often; their blanks are filled for each student"
      back={{ to: '/desk', name: 'Back to the desk' }}
      tools={<TakeBack about={phrasesHistory} />}
      main={offered.length > 0 ? { label: 'New phrase', onPress: add } : undefined}
    >
      {offered.length > fewEnough ? <Field label="Find" value={typed} onChange={setTyped} /> : null}
      {offered.length === 0 ? (
        <Empty
          title="Your phrases will stand here"
          action={<Action label="New phrase" kind="main" onPress={add} />}
        >
          A phrase is written once and used wherever you write: “{'{name}'} was adrift in {'{class}'} on{' '}
          {'{date}'}” says the right name each time, for one student or for many at once.
        </Empty>
      ) : null}
      {found.length > 0 ? (
        <Card style={{ padding: 0 }}>
          {found.map((one) => (
            <PhraseRow
              key={one.phrase.id}
              offered={one}
              verb="Change"
              onTap={() => {
                setOpen(one.phrase);
              }}
            >
              <Favourite offered={one} />
            </PhraseRow>
          ))}
        </Card>
      ) : null}
      {offered.length > 0 && found.length === 0 ? (
        <Words tone="inkQuiet">No phrase has these words.</Words>
      ) : null}
      {open === null ? null : <PhraseSheet phrase={open === 'new' ? null : open} onClose={close} />}
    </Page>
  );
}

function PhraseSheet({ phrase, onClose }: { phrase: Phrase | null; onClose: () => void }) {
  const { teacherId, isKeeper } = useAccount();
  if (phrase && phrase.personId !== teacherId && !isKeeper)
    return (
      <Sheet
        title="A phrase of the school"
        note="Whoever wrote it and the keeper of the school change it"
        onClose={onClose}
      >
        <Words>{phrase.text}</Words>
        <Action
          label="Copy it as mine"
          kind="main"
          onPress={() => {
            addPhrase(phrase.text, false);
            onClose();
          }}
        />
      </Sheet>
    );
  return (
    <Sheet title={phrase ? 'Change this phrase' : 'A new phrase'} about={formOf(phrase)} onClose={onClose}>
      <PhraseForm phrase={phrase} onAccept={onClose} />
      {phrase ? (
        <Action
          label="Remove it: what was written with it stays"
          onPress={() => {
            makeChange('phrase.remove', { id: phrase.id }, phrasesHistory);
            onClose();
          }}
        />
      ) : null}
    </Sheet>
  );
}

/** Whether it stands first. */
function Favourite({ offered: { phrase, favourite } }: { offered: OfferedPhrase }) {
  const palette = usePalette();
  return (
    <TouchableRipple
      role="checkbox"
      aria-checked={favourite}
      aria-label={`Favourite: ${phrase.text}`}
      onPress={() => {
        favour(phrase.id, !favourite);
      }}
      style={{
        width: target,
        height: target,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: radius.control,
      }}
    >
      <Star size={22} color={palette.slate} fill={favourite ? palette.slate : 'none'} strokeWidth={2} />
    </TouchableRipple>
  );
}
