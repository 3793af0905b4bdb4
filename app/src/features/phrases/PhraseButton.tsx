import TextQuote from 'lucide-react-native/icons/text-quote';
import { useState } from 'react';
import { IconAction } from '../../parts/IconAction';
import { PhraseSheet } from './lazyPages';
import type { WrittenAbout } from './writtenAbout';

interface PhraseButtonProps {
  /** Null: the blanks are filled later, for each reader. */
  about: WrittenAbout | null;
  /** What stands in the field. */
  text: string;
  onChange: (text: string) => void;
}

/** Puts a phrase behind what is written in a field. */
export function PhraseButton({ about, text, onChange }: PhraseButtonProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <IconAction
        name="Phrases"
        icon={TextQuote}
        tone="slate"
        onPress={() => {
          setOpen(true);
        }}
      />
      {open ? (
        <PhraseSheet
          about={about}
          onPut={(phrase) => {
            onChange(text === '' || /\s$/.test(text) ? text + phrase : `${text} ${phrase}`);
            setOpen(false);
          }}
          onClose={() => {
            setOpen(false);
          }}
        />
      ) : null}
    </>
  );
}
