import { Action } from '../../parts/Action';
import { Words } from '../../parts/Words';
import { Welcome } from './Welcome';

/** The server does not answer, and this device has nothing to show yet. */
export function Unreachable() {
  return (
    <Welcome title="The server does not answer">
      <Words>
        This device has not been here before, so there is nothing to show without it. Check the wi-fi, or that
        Slate Path is running, and try again.
      </Words>
      <Action
        label="Try again"
        kind="main"
        onPress={() => {
          location.reload();
        }}
      />
    </Welcome>
  );
}
