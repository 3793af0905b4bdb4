import { View } from 'react-native';
import { localMoment } from '@slate-path/core/calendar/zone';
import { weatherWords, type AnyCheckIn } from '@slate-path/core/attendance/checkIn/roundUp';
import { WeatherSign } from '../../../parts/WeatherSign';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { zoneOf } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';

/** What a student said on coming in, in one line. */
export function Said({ checkIn, day }: { checkIn: AnyCheckIn; day?: string }) {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const { at, weather, wantsWord, lunch, comment } = checkIn;
  // Only the first check-in of a student has the flag.
  const other = !('sameDevice' in checkIn);
  const words = [
    day ?? '',
    `checked in ${localMoment(Date.parse(at), zone).time}`,
    weather === null ? '' : weatherWords[weather - 1],
    wantsWord ? 'asks for a quiet word' : '',
    lunch ? `lunch: ${lunch}` : '',
    other ? 'from another device than the first' : '',
    !other && checkIn.sameDevice ? 'from the same device as the one before' : '',
    comment ? `“${comment}”` : '',
  ];
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
      {weather === null ? null : <WeatherSign weather={weather} />}
      <View style={{ flex: 1 }}>
        <Words figures>{words.filter(Boolean).join(', ')}</Words>
      </View>
    </View>
  );
}
