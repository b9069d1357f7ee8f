import sharp from 'sharp';

import { fetchCameraPicture, isCameraThere } from '@/server/devices/cameraFeed';
import { encodePicture } from '@/server/look/encodePicture';
import { startCamera, takePicture } from '@/standins/camera/startCamera';

test('the simulated camera takes twelve megapixels with place and device in them; nothing of that is kept', async () => {
  const camera = await startCamera({ port: 0 });
  const env = { TINBOX_CAMERA: `${camera.address}/picture` };
  const taken = Buffer.from(
    (await fetchCameraPicture(env, { spot: 'from the door', moment: 'before' })) ??
      new ArrayBuffer(0),
  );
  expect((await fetch(`${camera.address}/picture?moment=never`)).status).toBe(400);
  expect(await isCameraThere(env)).toBe(true);
  await camera.close();
  expect(await isCameraThere(env)).toBe(false);
  expect(
    await fetchCameraPicture(env, { spot: 'from the door', moment: 'before' }),
  ).toBeUndefined();
  // The same spot gives the same picture.
  expect(taken.equals(await takePicture('from the door', 'before'))).toBe(true);
  const metadata = await sharp(taken).metadata();
  expect([metadata.width, metadata.height, metadata.exif !== undefined]).toEqual([
    4000,
    3000,
    true,
  ]);
  expect(metadata.exif?.toString('latin1')).toContain('Simulated');
  const encoded = await encodePicture(taken);
  if (!encoded.ok || !encoded.value.original)
    throw new Error('a picture larger than pages show keeps its original');
  for (const bytes of [encoded.value.original, encoded.value.full, encoded.value.thumb]) {
    const kept = await sharp(bytes).metadata();
    expect([kept.exif, kept.xmp, kept.iptc]).toEqual([undefined, undefined, undefined]);
    expect(Buffer.from(bytes).includes('Simulated')).toBe(false);
  }
  expect((await sharp(encoded.value.original).metadata()).width).toBe(4000);
});
