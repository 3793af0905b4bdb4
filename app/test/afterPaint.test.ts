/** A page with pictures made by hand. */
const nothing: () => void = () => undefined;
const page = { hidden: false, onHide: nothing, frames: [] as (() => void)[] };
Object.assign(globalThis, {
  document: {
    get hidden() {
      return page.hidden;
    },
    addEventListener: (_type: string, listener: () => void) => {
      page.onHide = listener;
    },
  },
  requestAnimationFrame: (frame: () => void) => page.frames.push(frame),
});

const { afterPaint } = jest.requireActual<{ afterPaint: (work: () => void) => void }>(
  '../src/sync/afterPaint',
);

let done: string[];
const doing = (what: string) => () => {
  done.push(what);
};
beforeEach(() => {
  jest.useFakeTimers();
  page.hidden = false;
  done = [];
});
afterEach(() => {
  jest.useRealTimers();
});

const paint = () => {
  page.frames.splice(0).forEach((frame) => {
    frame();
  });
};

test('what comes after the picture waits for one frame together, and keeps its order', () => {
  for (const what of ['keep', 'count', 'say']) afterPaint(doing(what));
  expect(page.frames).toHaveLength(1);
  paint();
  expect(done).toEqual([]);
  jest.runAllTimers();
  expect(done).toEqual(['keep', 'count', 'say']);
  afterPaint(doing('next'));
  expect(page.frames).toHaveLength(1);
  paint();
});

test('what fails keeps nothing else from being done', () => {
  afterPaint(() => {
    throw new Error('a list that cannot be drawn');
  });
  afterPaint(doing('keep'));
  paint();
  expect(() => {
    jest.advanceTimersToNextTimer();
  }).toThrow('a list that cannot be drawn');
  jest.runAllTimers();
  expect(done).toEqual(['keep']);
});

test('a screen that goes dark makes no picture: what waits for it is done, and what comes then at once', () => {
  afterPaint(doing('keep'));
  page.hidden = true;
  page.onHide();
  afterPaint(doing('more'));
  jest.runAllTicks();
  expect(done).toEqual(['keep', 'more']);
  // The frame that was asked for comes when the page is seen again, and finds nothing to do.
  paint();
  jest.runAllTimers();
  expect(done).toEqual(['keep', 'more']);
});
