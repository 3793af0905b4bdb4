import CalendarSearch from 'lucide-react-native/icons/calendar-search';
import { useEffect, useRef } from 'react';
import { isDate } from '@slate-path/core/calendar/isDate';
import { loadDateReader } from '../forms/readDate';
import { Field, type FieldProps } from './Field';
import { IconAction } from './IconAction';

type DateFieldProps = Pick<
  FieldProps,
  'label' | 'value' | 'onChange' | 'error' | 'placeholder' | 'width' | 'onSubmit'
>;

/** A day, typed as people write it, or chosen from the browser's own calendar. */
export function DateField(props: DateFieldProps) {
  const { label, value, onChange } = props;
  const picker = useRef<HTMLInputElement>(null);
  useEffect(() => {
    // Without it a date is still one as YYYY-MM-DD.
    void loadDateReader().catch(() => undefined);
  }, []);
  return (
    <Field
      {...props}
      end={
        <>
          <input
            ref={picker}
            type="date"
            tabIndex={-1}
            aria-hidden
            value={isDate(value) ? value : ''}
            onChange={(event) => {
              if (event.target.value) onChange(event.target.value);
            }}
            style={{
              position: 'absolute',
              bottom: 0,
              width: 1,
              height: 1,
              opacity: 0,
              border: 0,
              padding: 0,
            }}
          />
          <IconAction
            name={`Calendar for: ${label}`}
            icon={CalendarSearch}
            tone="inkQuiet"
            onPress={() => picker.current?.showPicker()}
          />
        </>
      }
    />
  );
}
