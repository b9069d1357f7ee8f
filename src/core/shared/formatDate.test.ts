import { format } from 'date-fns';
import fc from 'fast-check';

import { formatDate } from './formatDate';

test('dates read as the whole library would write them', () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date(1990, 0), max: new Date(2090, 0), noInvalidDate: true }),
      fc.constantFrom('EEE d MMM yyyy, HH:mm', 'EEEE d MMMM', 'd MMM, H:mm', 'yyyy-MM-dd', 'MMMM'),
      (date, pattern) => {
        expect(formatDate(date, pattern)).toBe(format(date, pattern));
      },
    ),
  );
});
