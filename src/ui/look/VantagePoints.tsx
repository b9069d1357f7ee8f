'use client';

import { Camera, Plus, Trash2, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState, type ChangeEvent, type DragEvent } from 'react';

import { moments, type Moment, type Picture, type VantagePoint } from '@/core/look';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { momentWords } from '../words';

interface VantagePointsProps {
  readonly projectId: string;
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
  readonly shownMoments: readonly Moment[];
  readonly onAdd: ((name: string) => Promise<ActionResult>) | undefined;
  readonly onRemove: ((vantagePointId: string) => Promise<ActionResult>) | undefined;
  readonly onRemovePicture: (pictureId: string) => Promise<ActionResult>;
}

/** Spots that can be found again, with their pictures by moment. */
export function VantagePoints({ projectId, vantagePoints, pictures, shownMoments, onAdd, onRemove, onRemovePicture }: VantagePointsProps) {
  const router = useRouter();
  return (
    <div className="grid gap-3">
      {vantagePoints.map((vantagePoint) => (
        <section key={vantagePoint.id} className="panel p-3">
          <div className="mb-1 flex items-center justify-between gap-2">
            <h3 className="text-[15.5px]">{vantagePoint.name}</h3>
            {onRemove && <button type="button" aria-label={`Remove the spot ${vantagePoint.name}`} className="no-print grid size-9 place-items-center rounded hover:bg-well max-md:size-11" onClick={() => void onRemove(vantagePoint.id).then(() => router.refresh())}><X size={16} /></button>}
          </div>
          <div className="flex flex-wrap gap-3">
            {moments.filter((moment) => shownMoments.includes(moment)).map((moment) => (
              <PictureSlot
                key={moment}
                projectId={projectId}
                vantagePoint={vantagePoint}
                moment={moment}
                pictures={pictures.filter((picture) => picture.vantagePointId === vantagePoint.id && picture.moment === moment)}
                onRemovePicture={onRemovePicture}
              />
            ))}
          </div>
        </section>
      ))}
      {onAdd && <AddVantagePoint onAdd={onAdd} isFirst={vantagePoints.length === 0} />}
    </div>
  );
}

function AddVantagePoint({ onAdd, isFirst }: { onAdd: (name: string) => Promise<ActionResult>; isFirst: boolean }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [message, setMessage] = useState('');
  const add = async () => {
    const result = await onAdd(name);
    setMessage(result.ok ? '' : result.message);
    if (result.ok) setName('');
    router.refresh();
  };
  return (
    <form
      className="no-print flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <label className="min-w-[240px] flex-1">
        <span className="caption mb-1 block">{isFirst ? 'First spot to photograph from, before anyone moves anything' : 'Another spot'}</span>
        <input className="input" placeholder="e.g. from the back door, all four shelves" value={name} maxLength={80} onChange={(event) => setName(event.target.value)} />
      </label>
      <Button type="submit" disabled={name.trim() === ''}><Plus size={16} aria-hidden="true" /> Add the spot</Button>
      {message !== '' && <p role="alert" className="basis-full text-signal-deep">{message}</p>}
    </form>
  );
}

interface PictureSlotProps {
  readonly projectId: string;
  readonly vantagePoint: VantagePoint;
  readonly moment: Moment;
  readonly pictures: readonly Picture[];
  readonly onRemovePicture: (pictureId: string) => Promise<ActionResult>;
}

function PictureSlot({ projectId, vantagePoint, moment, pictures, onRemovePicture }: PictureSlotProps) {
  const router = useRouter();
  const { state, upload } = useUpload(projectId, vantagePoint.id, moment);
  const picture = pictures.at(-1);
  const isAsked = moment === 'before' && !picture;
  const drop = (event: DragEvent) => {
    event.preventDefault();
    void upload([...event.dataTransfer.files]);
  };
  const choose = (event: ChangeEvent<HTMLInputElement>) => {
    const input = event.currentTarget;
    void upload([...(input.files ?? [])]).then(() => {
      input.value = '';
    });
  };
  const label = `${momentWords[moment]} picture, ${vantagePoint.name}`;
  return (
    <figure className={`w-[212px] max-md:w-[calc(50%-6px)] ${picture ? '' : 'print:hidden'}`} onDragOver={(event) => event.preventDefault()} onDrop={drop}>
      <div className={`grid aspect-[4/3] place-items-center overflow-hidden rounded-[5px] border ${isAsked ? 'border-2 border-dashed border-signal bg-signal-wash' : 'border-line bg-paper'}`}>
        {/* eslint-disable-next-line @next/next/no-img-element -- private pictures do not go through the image cache */}
        {picture ? <img src={`/api/pictures/${picture.id}?size=thumb`} alt={label} className="size-full object-cover" /> : <Camera size={26} className="text-soft" aria-hidden="true" />}
      </div>
      <figcaption className="mt-1 flex flex-wrap items-center justify-between gap-1 text-[13.5px]">
        <b>{momentWords[moment]}</b>
        <span className="no-print flex gap-1">
          <label className={buttonClass('plain', 'min-h-9 px-2 py-1 text-[13px] focus-within:outline-3 focus-within:outline-rim')}>
            {state.isBusy ? `${state.percent} %` : picture ? 'Another' : 'Add'}
            <input type="file" accept="image/*" capture="environment" className="sr-only" aria-label={label} disabled={state.isBusy} onChange={choose} />
          </label>
          {picture && (
            <button type="button" aria-label={`Remove the ${label}`} className="grid size-9 place-items-center rounded hover:bg-well max-md:size-11" onClick={() => void onRemovePicture(picture.id).then(() => router.refresh())}>
              <Trash2 size={15} />
            </button>
          )}
        </span>
      </figcaption>
      {state.problem !== '' && <p role="alert" className="warn mt-1">{state.problem}</p>}
    </figure>
  );
}

interface UploadState {
  readonly isBusy: boolean;
  readonly percent: number;
  readonly problem: string;
}

/** Sends pictures one by one with their progress; fetch cannot tell how far an upload is. */
function useUpload(projectId: string, vantagePointId: string, moment: Moment) {
  const router = useRouter();
  const [state, setState] = useState<UploadState>({ isBusy: false, percent: 0, problem: '' });
  const upload = async (files: readonly File[]) => {
    for (const file of files) {
      setState({ isBusy: true, percent: 0, problem: '' });
      const url = `/api/projects/${projectId}/vantage-points/${vantagePointId}/pictures?moment=${moment}`;
      const problem = await sendFile(url, file, (percent) => setState({ isBusy: true, percent, problem: '' }));
      setState({ isBusy: false, percent: 0, problem });
      if (problem !== '') return;
    }
    router.refresh();
  };
  return { state, upload };
}

function sendFile(url: string, file: File, onPercent: (percent: number) => void): Promise<string> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open('POST', url);
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.upload.onprogress = (event) => onPercent(Math.round((event.loaded / Math.max(1, event.total)) * 100));
    request.onerror = () => resolve('The picture did not arrive. Nothing was lost; add it again.');
    request.onload = () => {
      if (request.status < 300) return resolve('');
      try {
        resolve((JSON.parse(request.responseText) as { error: { message: string } }).error.message);
      } catch {
        resolve(`The server answered ${request.status}.`);
      }
    };
    request.send(file);
  });
}
