import fc from 'fast-check';

import { askedSchema, clientPageSchema, sayings, sharePartSchema, type Asked } from '@/core/client';
import type { ClientContents } from './pageContents';
import { pageScript } from './pageScript';
import { renderClientSpace } from './renderClientSpace';

const asked = (change: object): Asked =>
  askedSchema.parse({
    about: 'thing',
    key: 'thing t1',
    thingId: 't1',
    decisionId: 'd1',
    roomId: 'hall',
    roomName: 'Hall',
    name: 'lamp',
    count: 1,
    known: [],
    pictureId: null,
    ...change,
  });
const page = (change: object = {}) =>
  clientPageSchema.parse({
    id: 'page-1',
    projectId: 'home',
    way: 'link',
    name: 'Nora',
    mayAnswer: true,
    parts: sharePartSchema.options,
    asked: [],
    secretHash: 'x',
    madeAt: '2026-11-30T10:00:00.000Z',
    endsAt: null,
    revokedAt: null,
    ...change,
  });
const contents = (change: Partial<ClientContents> = {}): ClientContents => ({
  page: page(),
  homeName: 'Home',
  currency: 'GBP',
  questions: [],
  days: undefined,
  rooms: undefined,
  places: undefined,
  agreement: undefined,
  given: undefined,
  statement: undefined,
  ...change,
});
const means = {
  pictureSrc: () => undefined,
  fontCss: '',
  nonce: 'n0nce',
  scriptHash: 'hash',
  madeOn: '2026-11-30T10:00:00.000Z',
};
const same = { is: 'same' } as const;

/** The page without what it always carries: style and script. */
const said = (html: string): string =>
  html.replace(/<style[^>]*>[\s\S]*?<\/style>/g, '').replace(pageScript, '');

test('nothing that was typed becomes a tag, an attribute or a script of the page', () => {
  const nasty = fc.stringMatching(/^[a-z<>"'&/ =]{1,30}$/).filter((text) => text.trim() !== '');
  fc.assert(
    fc.property(nasty, nasty, nasty, (name, known, words) => {
      const html = said(
        renderClientSpace(
          contents({
            homeName: name,
            page: page({ name: words.trim() }),
            questions: [
              {
                asked: asked({ name: name.trim(), known: [known] }),
                standing: same,
                answer: undefined,
              },
            ],
            places: [
              {
                roomName: known,
                words,
                lives: {
                  groupName: name,
                  unitName: known,
                  bayName: words,
                  containers: [],
                  litres: 1,
                  isThere: true,
                },
              },
            ],
          }),
          means,
        ),
      );
      // Every tag that is left is one of the page's own.
      const tags = new Set([...html.matchAll(/<\/?([a-z0-9]+)/gi)].map(([, tag]) => tag));
      const own = new Set(
        (
          'html head meta link title body header main section article div p h1 h2 h3 ul li label b span small ' +
          'input textarea button table tr th td br footer noscript script'
        ).split(' '),
      );
      for (const tag of tags) expect(own).toContain(tag);
      expect(html.match(/<script/g)).toHaveLength(2);
      expect(html).not.toMatch(/ on[a-z]+=/i);
    }),
  );
});

test('a page for looking only, and a question that is over, have nothing to answer with', () => {
  const question = { asked: asked({}), standing: same, answer: undefined };
  const can = renderClientSpace(contents({ questions: [question] }), means);
  expect(can).toContain('data-says="keep"');
  const only = page({ mayAnswer: false });
  expect(
    said(renderClientSpace(contents({ page: only, questions: [question] }), means)),
  ).not.toContain('data-says');
  const over = {
    ...question,
    standing: { is: 'decided', verdict: 'donate', at: '2026-11-29T10:00:00.000Z' } as const,
  };
  const html = said(renderClientSpace(contents({ questions: [over] }), means));
  expect(html).not.toContain('data-says');
  expect(html).toContain('Decided since, on 29 Nov');
});

test('every saying has a word and a button where it may be said, and none where not', () => {
  const kinds = [
    asked({}),
    askedSchema.parse({
      about: 'purchase',
      key: 'line hall n1',
      roomId: 'hall',
      roomName: 'Hall',
      needId: 'n1',
      name: 'tray',
      qty: 2,
      lineMinor: 1250,
      known: [],
    }),
    askedSchema.parse({ about: 'agreement', key: 'agreement', lines: [] }),
  ];
  const found = kinds.flatMap((each) => {
    const html = renderClientSpace(
      contents({ questions: [{ asked: each, standing: same, answer: undefined }] }),
      means,
    );
    return [...html.matchAll(/data-says="([a-z]+)"/g)].map(([, says]) => says);
  });
  expect([...new Set(found)].sort()).toEqual([...sayings].sort());
  expect(found.filter((says) => says === 'talk')).toHaveLength(3);
});

test('a file names its only script by its hash and is linked to nowhere', () => {
  const file = renderClientSpace(contents({ page: page({ way: 'file', secretHash: null }) }), {
    ...means,
    nonce: undefined,
  });
  expect(file).toContain("script-src 'sha256-hash'");
  expect(file).toContain("default-src 'none'");
  expect(file.replace(/<link rel="icon" href="data:,">/, '')).not.toMatch(/(src|href)="(?!data:)/);
  expect(renderClientSpace(contents(), means)).toContain('<style nonce="n0nce">');
});
