import { assertNever } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { importProject } from '@/server/exchange/importProject';
import { LIMITS, type ArchiveError } from '@/server/exchange/projectFile';
import { withReceivedFile } from '@/server/exchange/receiveFile';
import { answerLongWork, handler } from '@/app/api/handler';
import { readPieces, refuse, refuseBody } from '@/app/api/respond';

/**
 * Brings a project's file in. Whoever goes away meanwhile has stopped it, and nothing was brought in.
 */
export const POST = handler((request: Request) =>
  answerLongWork(request, async (onProgress) => {
    const dataDir = dataDirOf(process.env);
    const pieces = readPieces(request, LIMITS.zipBytes);
    const imported = await withReceivedFile(dataDir, pieces, async (file) =>
      importProject(await getDatabase(), dataDir, file, { signal: request.signal, onProgress }),
    );
    if ('fault' in imported) return refuseBody(imported.fault, 'This file');
    if (!imported.ok)
      return refuse(422, { code: imported.error.code, message: wordError(imported.error) });
    return Response.json({ projectId: imported.value }, { status: 201 });
  }),
);

const NOTHING = 'Nothing was brought in.';

function wordError(error: ArchiveError): string {
  switch (error.code) {
    case 'not_a_zip':
      return 'This is not a zip file.';
    case 'zip_too_large':
      return `This file unpacks to more than ${Math.round(error.maxBytes / 1e6)} MB. ${NOTHING}`;
    case 'zip_too_many':
      return `This zip holds more than ${error.maxEntries} files. ${NOTHING}`;
    case 'entry_twice':
      return `This zip holds ${error.file} twice. ${NOTHING}`;
    case 'file_missing':
      return `The zip lacks ${error.file}. ${NOTHING}`;
    case 'file_too_large':
      return `${error.file} is larger than ${Math.round(error.maxBytes / 1e6)} MB. ${NOTHING}`;
    case 'newer_version':
      return `The file is of version ${error.version}, newer than this Tin Box reads. ${NOTHING}`;
    case 'unreadable':
      return `${error.file}${error.path ? `, ${error.path}` : ''}: ${error.message}. ${NOTHING}`;
    case 'too_much':
      return `${error.file} holds more than a home can hold. ${NOTHING}`;
    case 'stray_record':
      return `${error.path} names ${error.id}, which this file does not hold. ${NOTHING}`;
    case 'picture_damaged':
      return `${error.file} is no picture that can be read. ${NOTHING}`;
    case 'stopped':
      return `Stopped. ${NOTHING}`;
    default:
      return assertNever(error);
  }
}
