import { z } from 'zod';

import { assertNever } from '@/core/shared';
import { dataDirOf, getDatabase } from '@/data/db';
import { importProject, type ArchiveError } from '@/server/exchange/archive';
import { readBody, refuse, respond } from '@/app/api/respond';
import { handler } from '@/app/api/handler';

const MAX_BODY_BYTES = 600_000_000;

export const POST = handler(async (request: Request) => {
  return respond(z.object({}), {}, async () => {
    const zip = await readBody(request, { maxBytes: MAX_BODY_BYTES, what: 'This file' });
    const imported = await importProject(await getDatabase(), dataDirOf(process.env), zip);
    if (!imported.ok)
      return refuse(422, { code: imported.error.code, message: wordError(imported.error) });
    return Response.json({ projectId: imported.value }, { status: 201 });
  });
});

function wordError(error: ArchiveError): string {
  switch (error.code) {
    case 'not_a_zip':
      return 'This is not a zip file.';
    case 'zip_too_large':
      return `This file unpacks to more than ${Math.round(error.maxBytes / 1e6)} MB.`;
    case 'file_missing':
      return `The zip lacks ${error.file}; nothing was brought in.`;
    case 'newer_version':
      return `The file is of version ${error.version}, newer than this Tin Box reads; nothing was brought in.`;
    case 'unreadable':
      return `${error.file}${error.path ? `, ${error.path}` : ''}: ${error.message}. Nothing was brought in.`;
    case 'picture_damaged':
      return `${error.file} is no picture that can be read; nothing was brought in.`;
    default:
      return assertNever(error);
  }
}
