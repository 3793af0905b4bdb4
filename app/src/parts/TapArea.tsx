import { useRef, type ReactNode } from 'react';
import { View, type ViewStyle } from 'react-native';

interface TapAreaProps {
  /** What it is and what a tap does: its name for those who listen. */
  name: string;
  onTap: () => void;
  /** What a long press or a second mouse button does, where there is another way to it. */
  onHold?: () => void;
  children?: ReactNode;
  style?: ViewStyle;
  id?: string;
  testID?: string;
  /** Whether it is held down or chosen, where it can be. */
  held?: boolean;
  /** A link to another page: whether that is the present one. */
  page?: boolean;
}

interface Pointer {
  isPrimary: boolean;
  button: number;
  timeStamp: number;
  clientX: number;
  clientY: number;
}

interface Tapped {
  currentTarget: HTMLElement;
}

/** A click that follows a lifted finger this soon is the same tap. */
const sameTapMs = 800;
/** The touch ends this soon after its pointer was lifted. */
const sameTouchMs = 50;
/** A finger that has gone further than this, in pixels, was not tapping. */
const tapSlop = 16;

/**
 * A large thing to tap in a long list, answered at once. The library's pressable keeps its state in
 * React and renders several times a touch; here the browser itself shows the press (page.css). And
 * it acts when the finger is lifted, some 40 ms before the click on a slow phone: a scroll or a second
 * finger ends the touch without lifting. A click alone comes from a screen reader or a script.
 */
export function TapArea({ name, onTap, onHold, children, style, id, testID, held, page }: TapAreaProps) {
  const pressed = useRef<Pointer | null>(null);
  const liftedAt = useRef(-sameTapMs);
  const onPointerDown = ({ isPrimary, button, timeStamp, clientX, clientY }: Pointer) => {
    pressed.current = isPrimary && button === 0 ? { isPrimary, button, timeStamp, clientX, clientY } : null;
  };
  const forget = () => {
    pressed.current = null;
  };
  const onPointerUp = ({ timeStamp, clientX, clientY, currentTarget }: Pointer & Tapped) => {
    const from = pressed.current;
    forget();
    if (!from || Math.hypot(clientX - from.clientX, clientY - from.clientY) > tapSlop) return;
    liftedAt.current = timeStamp;
    // The finger's own words are enough: the mouse events a browser would act out after it move the
    // focus, ask what lies under the pointer and cost a second picture before the first is shown. Asked of the
    // node itself, which hears it also where the tap took it off the page: else the click would fall on
    // what moved into its place.
    currentTarget.addEventListener(
      'touchend',
      (event) => {
        if (event.cancelable && event.timeStamp - timeStamp < sameTouchMs) event.preventDefault();
      },
      { once: true },
    );
    onTap();
  };
  const onClick = ({ timeStamp }: Pointer) => {
    if (timeStamp - liftedAt.current >= sameTapMs) onTap();
  };
  const onKeyDown = (event: { key: string; preventDefault: () => void }) => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onTap();
  };
  const onContextMenu = (event: { preventDefault: () => void }) => {
    event.preventDefault();
    forget();
    onHold?.();
  };
  const pointer = { onPointerDown, onPointerUp, onPointerCancel: forget, onPointerLeave: forget };
  // The web's own events, which the types of the phone's view do not know.
  const web = {
    ...pointer,
    ...(onHold ? { onContextMenu } : {}),
    onClick,
    onKeyDown,
    dataSet: { tap: '' },
  } as object;
  return (
    <View
      id={id}
      testID={testID}
      role={page === undefined ? 'button' : 'link'}
      aria-current={page ? 'page' : undefined}
      tabIndex={0}
      aria-label={name}
      {...(held === undefined ? {} : ({ 'aria-pressed': held } as object))}
      style={style}
      {...web}
    >
      {children}
    </View>
  );
}
