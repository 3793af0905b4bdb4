/**
 * For what is tapped or dragged alike, by mouse, finger or key.
 * @param listeners of the drag library; undefined where the thing itself is not dragged
 */
export function grabbed(onTap: () => void, listeners: object | undefined): object {
  return {
    ...listeners,
    onClick: onTap,
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      onTap();
    },
  };
}
