import { useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { many } from '@slate-path/core/words/many';
import { weatherWords } from '@slate-path/core/attendance/checkIn/roundUp';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { TickRow } from '../../../parts/TickRow';
import { WeatherSign } from '../../../parts/WeatherSign';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import type { Saying } from './phone';

const longestComment = 500;

function WeatherChoice({
  value,
  onChange,
}: {
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  const palette = usePalette();
  return (
    <View role="radiogroup" aria-label="Inner weather" style={{ flexDirection: 'row', gap: space(1) }}>
      {weatherWords.map((word, index) => {
        const weather = index + 1;
        const chosen = weather === value;
        return (
          <TouchableRipple
            key={word}
            role="radio"
            aria-checked={chosen}
            aria-label={word}
            onPress={() => {
              onChange(chosen ? null : weather);
            }}
            style={{
              flex: 1,
              minHeight: 76,
              justifyContent: 'center',
              borderRadius: radius.control,
              borderWidth: chosen ? 2 : 1,
              borderColor: chosen ? palette.slate : palette.line,
              backgroundColor: chosen ? palette.slateWash : palette.surface,
            }}
          >
            <View style={{ alignItems: 'center', gap: 2 }}>
              <WeatherSign weather={weather} size={34} />
              <Words size="small" bold={chosen}>
                {word}
              </Words>
            </View>
          </TouchableRipple>
        );
      })}
    </View>
  );
}

interface SayingFormProps {
  name: string;
  studentId: string;
  lunchChoices: readonly string[];
  busy: boolean;
  onSay: (saying: Saying) => void;
  onOther: () => void;
}

/** What a student says on coming in; only the name is needed. */
export function SayingForm({ name, studentId, lunchChoices, busy, onSay, onOther }: SayingFormProps) {
  const [weather, setWeather] = useState<number | null>(null);
  const [wantsWord, setWantsWord] = useState(false);
  const [lunch, setLunch] = useState('');
  const [comment, setComment] = useState('');
  const over = comment.length - longestComment;
  return (
    <View style={{ gap: space(4) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Words size="large" serif heading={2}>
            {name}
          </Words>
        </View>
        <Action label="Not me" onPress={onOther} />
      </View>
      <View style={{ gap: space(2) }}>
        <Words>How is your inner weather?</Words>
        <WeatherChoice value={weather} onChange={setWeather} />
      </View>
      {lunchChoices.length > 0 ? (
        <View style={{ gap: space(2) }}>
          <Words>Lunch</Words>
          <Choice
            name="Lunch"
            value={lunch}
            options={[
              ...lunchChoices.map((value) => ({ value, label: value })),
              { value: '', label: 'None' },
            ]}
            onChange={setLunch}
          />
        </View>
      ) : null}
      <View>
        <TickRow name="I would like a quiet word" ticked={wantsWord} onChange={setWantsWord}>
          <Words>I would like a quiet word</Words>
        </TickRow>
      </View>
      <Field
        label="Anything else? Your teacher reads it"
        value={comment}
        onChange={setComment}
        hint={over > 0 ? `Too long by ${many(over, 'character')}: the end will be left out` : undefined}
      />
      <Action
        label="I am here"
        kind="main"
        disabled={busy}
        onPress={() => {
          onSay({ studentId, weather, wantsWord, lunch, comment });
        }}
      />
    </View>
  );
}
