import http from 'node:http';
import sharp from 'sharp';

import { bayIdSchema, roomIdSchema, unitIdSchema } from '@/core/shared';
import {
  moments,
  unitKinds,
  usualUnitOf,
  type Moment,
  type Unit,
  type UnitKind,
} from '@/core/look';
import { drawScene } from './drawScene';

interface RunningCamera {
  readonly address: string;
  readonly close: () => Promise<void>;
}

/** Twelve megapixels, as phones take them. */
const PICTURE_PX = { width: 4000, height: 3000 } as const;

/**
 * Starts the simulated camera: `GET /picture?spot=…&moment=before` takes a made-up picture of a piece of
 * furniture, the same for the same spot, with the metadata that a phone writes (place, time,
 * device), so that the
 * app has something to take off. `GET /` says so. On the loopback only.
 */
export function startCamera({ port }: { readonly port: number }): Promise<RunningCamera> {
  const server = http.createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://127.0.0.1');
    const moment = moments.find((each) => each === url.searchParams.get('moment'));
    if (url.pathname !== '/picture' || request.method !== 'GET')
      return answer(
        response,
        404,
        'text/plain; charset=utf-8',
        'Simulated camera. GET /picture?spot=WHERE&moment=' + moments.join('|'),
      );
    if (!moment)
      return answer(
        response,
        400,
        'text/plain; charset=utf-8',
        `moment: one of ${moments.join(', ')}`,
      );
    takePicture(url.searchParams.get('spot') ?? '', moment).then(
      (bytes) => answer(response, 200, 'image/jpeg', bytes),
      () => answer(response, 500, 'text/plain; charset=utf-8', 'the picture could not be drawn'),
    );
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      const bound = server.address();
      resolve({
        address: `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : port}`,
        close: () =>
          new Promise((done) => {
            server.close(() => done());
            server.closeAllConnections();
          }),
      });
    });
  });
}

/** A made-up picture from a spot, with a made-up place in its metadata. */
export async function takePicture(spot: string, moment: Moment): Promise<Buffer> {
  const seed = [...spot].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 100_003, 7);
  const units = [
    toUnit(unitKinds[seed % 3] ?? 'cupboard', 'a'),
    toUnit(unitKinds[(seed >> 3) % 3] ?? 'shelving', 'b'),
  ];
  const isTidy = moment === 'after' || moment === 'later' || moment === 'mock-up';
  const bays = units.flatMap((unit) =>
    unit.bays.map((bay, i) => ({
      bayId: bay.id,
      containers: [],
      fillRatio: moment === 'emptied' ? 0 : 0.35 + (((seed + i * 7) % 10) / 10) * 0.5,
    })),
  );
  const drawn = await drawScene({
    units,
    moment: isTidy || moment === 'emptied' ? 'after' : 'before',
    bays,
    seed,
  });
  return sharp(drawn)
    .resize(PICTURE_PX.width, PICTURE_PX.height)
    .withExif({
      IFD0: { Make: 'Simulated', Model: 'Camera' },
      IFD3: {
        GPSLatitude: '12/1 34/1 0/1',
        GPSLatitudeRef: 'S',
        GPSLongitude: '98/1 7/1 0/1',
        GPSLongitudeRef: 'W',
      },
    })
    .jpeg({ quality: 88 })
    .toBuffer();
}

function toUnit(kind: UnitKind, key: string): Unit {
  const usual = usualUnitOf(kind);
  const length = (mm: number) => ({ mm, text: `${mm} mm` });
  const unitId = unitIdSchema.parse(key);
  return {
    id: unitId,
    roomId: roomIdSchema.parse('scene'),
    name: kind,
    kind,
    position: key === 'a' ? 0 : 1,
    door: 'none',
    holePitch: null,
    place: null,
    width: length(usual.widthMm),
    depth: length(usual.depthMm),
    height: length(usual.heightMm),
    floorGap: length(usual.floorGapMm),
    bays: usual.bays.map((bay, i) => ({
      id: bayIdSchema.parse(`${key}${i}`),
      unitId,
      name: bay.name,
      columnIndex: bay.columnIndex,
      rowIndex: bay.rowIndex,
      widthReadings: [length(bay.widthMm)],
      depthReadings: [length(bay.depthMm)],
      heightReadings: [length(bay.heightMm)],
      openingWidth: null,
      openingHeight: null,
      maxLoadG: null,
      pullOut: false,
      moist: false,
      warm: false,
      light: false,
      lockable: false,
      isUsual: false,
      outOfScope: false,
      obstacles: [],
      access: {},
    })),
  };
}

function answer(
  response: http.ServerResponse,
  status: number,
  type: string,
  body: string | Buffer,
): void {
  response.writeHead(status, {
    'content-type': type,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  });
  response.end(body);
}
