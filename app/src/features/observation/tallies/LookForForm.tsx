import { useState } from 'react';
import { View } from 'react-native';
import type { LookFor } from '@slate-path/core/records/schema';
import { lookForSigns } from '@slate-path/core/records/signs';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { Typing } from '../../../parts/Typing';
import { usePalette } from '../../../theme/theme';
import { radius, space, target } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { LookForSign, toneColour } from './LookForSign';

const tones: { value: LookFor['tone']; label: string }[] = [
  { value: 'wanted', label: 'Wanted' },
  { value: 'neutral', label: 'Neutral' },
  { value: 'unwanted', label: 'Unwanted' },
];
const measures: { value: LookFor['measure']; label: string }[] = [
  { value: 'count', label: 'Counted' },
  { value: 'tick', label: 'Ticked once' },
  { value: 'seconds', label: 'Timed' },
];

interface LookForFormProps {
  lookFor: LookFor | null;
  /** The class it may belong to; null where it is made for all. */
  sectionId: string | null;
  /** Called with the id when it is accepted. */
  onAccept: (id: string) => void;
}

/** What is looked for: its name, its sign, and how it is taken down. */
export default function LookForForm({ lookFor, sectionId, onAccept }: LookForFormProps) {
  const palette = usePalette();
  const known = useRecords((state) => state.current.lookFor);
  const section = useRecords((state) => (sectionId ? state.current.section[sectionId] : undefined));
  const [name, setName] = useState(lookFor?.name ?? '');
  const [tone, setTone] = useState<LookFor['tone']>(lookFor?.tone ?? 'wanted');
  const [measure, setMeasure] = useState<LookFor['measure']>(lookFor?.measure ?? 'count');
  const used = new Set(Object.values(known).map(({ sign }) => sign));
  const [sign, setSign] = useState<LookFor['sign']>(
    lookFor?.sign ?? lookForSigns.find((one) => !used.has(one)) ?? 'voice',
  );
  const [whose, setWhose] = useState<'all' | 'class'>(lookFor?.sectionId ? 'class' : 'all');
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `look-for ${lookFor?.id ?? 'new'}`;
  const accept = async () => {
    const read = await check('LookForFields', {
      id: lookFor?.id ?? newId(),
      name,
      tone,
      measure,
      sign,
      sectionId: whose === 'class' ? (lookFor?.sectionId ?? sectionId) : null,
      position: lookFor?.position ?? Object.keys(known).length,
    });
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    makeChange('lookFor.set', read.data, 'lookFors');
    forgetTyped(form);
    onAccept(read.data.id);
  };
  return (
    <View style={{ gap: space(3) }}>
      <Typing about={form}>
        <Field
          label="What is seen"
          value={name}
          onChange={setName}
          error={errors['name']}
          placeholder="Helped tie a knot"
        />
      </Typing>
      <Choice name="Tone" value={tone} options={tones} onChange={setTone} />
      <Choice name="How it is taken down" value={measure} options={measures} onChange={setMeasure} />
      <Words size="small" tone="inkQuiet">
        Its sign
      </Words>
      <View
        role="radiogroup"
        aria-label="Sign"
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(1) }}
      >
        {lookForSigns.map((one) => (
          <TapArea
            key={one}
            name={`Sign: ${one}`}
            held={one === sign}
            onTap={() => {
              setSign(one);
            }}
            style={{
              width: target,
              height: target,
              alignItems: 'center',
              justifyContent: 'center',
              borderRadius: radius.control,
              borderWidth: one === sign ? 2 : 1,
              borderColor: one === sign ? palette.slate : palette.line,
              backgroundColor: one === sign ? palette.slateWash : palette.surface,
            }}
          >
            <LookForSign sign={one} tone={toneColour[tone]} />
          </TapArea>
        ))}
      </View>
      {section ? (
        <Choice
          name="For"
          value={whose}
          options={[
            { value: 'all', label: 'All classes' },
            { value: 'class', label: `Only ${section.name}` },
          ]}
          onChange={setWhose}
        />
      ) : null}
      {lookFor ? (
        <Words size="small" tone="inkQuiet">
          What was counted keeps its numbers.
        </Words>
      ) : null}
      <Action label={lookFor ? 'Change it' : 'Add it'} kind="main" onPress={() => void accept()} />
    </View>
  );
}
