import { useState } from 'react';
import { View } from 'react-native';
import { usePalette, useWide } from '../theme/theme';
import { space, target } from '../theme/tokens';
import { Choice } from './Choice';
import { Words } from './Words';

/** A phrase that goes somewhere or narrows what is shown. */
interface TapPhrase {
  words: string;
  /** What a tap does, for those who listen. */
  name: string;
  /** What is shown is narrowed to it. */
  held?: boolean;
  onTap: () => void;
}

/** A phrase that is one of several; tapping it opens them in place. */
interface ChoicePhrase {
  words: string;
  name: string;
  value: string;
  options: readonly { value: string; label: string }[];
  onChange: (value: string) => void;
}

export type SentencePart = string | TapPhrase | ChoicePhrase;

/** A phrase of one of several values, with their own types. */
export const choicePhrase = <T extends string>(phrase: {
  name: string;
  value: T;
  options: readonly { value: T; label: string }[];
  words?: string;
  onChange: (value: T) => void;
}): ChoicePhrase => ({
  words: phrase.options.find(({ value }) => value === phrase.value)?.label ?? '',
  ...phrase,
  onChange: phrase.onChange as (value: string) => void,
});

/** What a letter's own box is high, at the smaller of the two sizes, in pixels. */
const letterHeight = 20;

/** Padding makes it as high as a finger needs without moving the lines apart. */
const phrase = {
  paddingBlock: (target - letterHeight) / 2,
  cursor: 'pointer',
  textDecorationLine: 'underline',
  textDecorationThickness: 2,
  textUnderlineOffset: 4,
} as const;

/** A letter is at least so wide, taken over a word, in pixels. */
const letter = 6.5;

/** What a short phrase, as a number, lacks of a finger's width, on both sides, without moving its neighbours. */
function besides(words: string) {
  const side = Math.max(0, Math.ceil((target - letter * words.length) / 2));
  return { paddingInline: side, marginInline: -side };
}

/** What a page shows, said in words; its underlined phrases lead further or open what else could be shown. */
export function Sentence({ parts }: { parts: readonly SentencePart[] }) {
  const palette = usePalette();
  const wide = useWide();
  const [open, setOpen] = useState<string | null>(null);
  const choice = parts.find(
    (part): part is ChoicePhrase => typeof part !== 'string' && 'options' in part && part.name === open,
  );
  return (
    <View style={{ gap: space(3) }} testID="sentence">
      <Words size={wide ? 'name' : 'text'}>
        {parts.map((part, index) => {
          if (typeof part === 'string') return part;
          const opens = 'options' in part;
          const onTap = () => {
            if (opens) setOpen(open === part.name ? null : part.name);
            else part.onTap();
          };
          const held = opens ? open === part.name : part.held;
          // A span: as the browser's own button it could not break at the end of a line.
          return (
            <span
              key={index}
              role="button"
              tabIndex={0}
              aria-label={`${part.words}: ${part.name}`}
              aria-expanded={opens ? held : undefined}
              aria-pressed={opens ? undefined : held}
              onClick={onTap}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onTap();
              }}
              style={{
                ...phrase,
                ...besides(part.words),
                fontWeight: held ? 700 : 400,
                textDecorationColor: palette.slate,
              }}
            >
              {part.words}
            </span>
          );
        })}
      </Words>
      {choice ? (
        <Choice
          name={choice.name}
          value={choice.value}
          options={choice.options}
          onChange={(value) => {
            setOpen(null);
            choice.onChange(value);
          }}
        />
      ) : null}
    </View>
  );
}
