import { whileSeen } from './whileSeen';

test('a line is open while the page is seen, taken up again after, and closed once', () => {
  const page = Object.assign(new EventTarget(), { hidden: false });
  Object.assign(globalThis, { document: page });
  const seen = (isSeen: boolean) => {
    page.hidden = !isSeen;
    page.dispatchEvent(new Event('visibilitychange'));
  };
  const log: string[] = [];
  const end = whileSeen((isAgain) => {
    log.push(isAgain ? 'again' : 'first');
    return () => log.push('closed');
  });
  seen(true);
  seen(false);
  seen(false);
  seen(true);
  end();
  seen(false);
  seen(true);
  expect(log).toEqual(['first', 'closed', 'again', 'closed']);
});
