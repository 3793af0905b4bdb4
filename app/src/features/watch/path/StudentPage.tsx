import { useLocalSearchParams } from 'expo-router';
import { GivenPathScreen } from './GivenPathScreen';
import { PathScreen } from './PathScreen';

/** A student's path: one's own part of it, or the whole of it where it was given to whoever looks. */
export function StudentPage() {
  const { whole } = useLocalSearchParams<{ whole?: string }>();
  return whole ? <GivenPathScreen /> : <PathScreen />;
}
