'use client';

import { ArrowDown, ArrowUp } from 'lucide-react';
import { useRef, useState } from 'react';

import { figureCodes, type Closing, type ClosingRoom, type FigureCode } from '@/core/client';
import type { PictureId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Choice } from '../primitives/Choice';
import { CheckField, TextField } from '../primitives/Field';
import { PrivatePicture } from '../primitives/PrivatePicture';
import { useMutation } from '../useMutation';
import type { ClosingForm } from './closingForm';

interface Spot {
  readonly id: ClosingRoom['vantagePointIds'][number];
  readonly name: string;
  readonly beforeId: PictureId | undefined;
  readonly afterId: PictureId | undefined;
}
export interface RoomToCompose {
  readonly name: string;
  readonly told: ClosingRoom;
  readonly spots: readonly Spot[];
  readonly figures: readonly { readonly code: FigureCode; readonly words: string }[];
  /** As it follows from the choices. */
  readonly keepUp: readonly string[];
}
interface ClosingViewProps {
  readonly projectId: string;
  readonly closing: Closing;
  readonly rooms: readonly RoomToCompose[];
  readonly consentWords: string | undefined;
  readonly onSave: (form: ClosingForm) => Promise<ActionResult>;
  readonly onConsent: (by: string) => Promise<ActionResult>;
  readonly onWithdraw: () => Promise<ActionResult>;
  readonly onSend: (typed: { to: string; text: string }) => Promise<ActionResult>;
}

const NO_ROOM = 'No room has anything to show yet: pictures and decisions fill this report.';

/** Puts the closing report together: rooms, pairs, figures, the client's words, and how it is kept up. */
export function ClosingView(props: ClosingViewProps) {
  const { closing, onSave } = props;
  const keep = useKeptWhole(onSave);
  const [rooms, setRooms] = useState(props.rooms);
  const [tone, setTone] = useState(closing.tone);
  const [opening, setOpening] = useState(closing.opening);
  const save = (change: {
    readonly rooms?: readonly RoomToCompose[];
    readonly tone?: Closing['tone'];
  }) => {
    const next = change.rooms ?? rooms;
    setRooms(next);
    if (change.tone) setTone(change.tone);
    void keep({
      tone: change.tone ?? tone,
      opening,
      rooms: next.map(({ told }) => ({
        ...told,
        vantagePointIds: [...told.vantagePointIds],
        figures: [...told.figures],
        keepUp: told.keepUp && [...told.keepUp],
      })),
    });
  };
  const changeRoom = (at: number, change: Partial<ClosingRoom>) =>
    save({
      rooms: rooms.map((room, i) =>
        i === at ? { ...room, told: { ...room.told, ...change } } : room,
      ),
    });
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_300px]">
      <div className="grid gap-4">
        <section aria-label="The whole report" className="panel border-t-4 border-t-rim p-4">
          <h2 className="text-[19px]">The closing report</h2>
          <div className="mt-2 grid gap-3">
            <Choice
              label="Tone"
              value={tone}
              options={[
                ['full', 'Full: with what left and where everything lives'],
                ['short', 'Short: pictures, figures, how to keep it up'],
              ]}
              onChange={(next) => save({ tone: next })}
            />
            <label className="text-[14px]">
              A few words above everything
              <textarea
                className="input mt-1 min-h-20"
                maxLength={1200}
                value={opening}
                onChange={(event) => setOpening(event.target.value)}
                onBlur={() => save({})}
              />
            </label>
          </div>
        </section>
        {rooms.length === 0 && <p className="panel p-4">{NO_ROOM}</p>}
        {rooms.map((room, i) => (
          <RoomPart
            key={room.told.roomId}
            room={room}
            isFirst={i === 0}
            isLast={i === rooms.length - 1}
            onChange={(change) => changeRoom(i, change)}
            onMove={(by) => save({ rooms: moved(rooms, i, by) })}
          />
        ))}
      </div>
      <Outputs {...props} />
    </div>
  );
}

/** Each time all of it is sent: while one is on its way, only the last of those behind it waits. */
function useKeptWhole(onSave: ClosingViewProps['onSave']): (form: ClosingForm) => Promise<void> {
  const { mutate } = useMutation();
  const way = useRef<{ isBusy: boolean; next?: ClosingForm | undefined }>({ isBusy: false });
  return async (form) => {
    way.current.next = form;
    if (way.current.isBusy) return;
    way.current.isBusy = true;
    while (way.current.next) {
      const now = way.current.next;
      way.current.next = undefined;
      await mutate(() => onSave(now));
    }
    way.current.isBusy = false;
  };
}

/** The same list with one of it further on or back. */
function moved<T>(list: readonly T[], at: number, by: -1 | 1): readonly T[] {
  const next = [...list];
  const [each] = next.splice(at, 1);
  if (each !== undefined) next.splice(at + by, 0, each);
  return next;
}

interface RoomPartProps {
  readonly room: RoomToCompose;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly onChange: (change: Partial<ClosingRoom>) => void;
  readonly onMove: (by: -1 | 1) => void;
}

function RoomPart({ room, isFirst, isLast, onChange, onMove }: RoomPartProps) {
  const { told, name, keepUp } = room;
  const [said, setSaid] = useState(told.said);
  const [lines, setLines] = useState((told.keepUp ?? keepUp).join('\n'));
  const keepLines = () => {
    const typed = lines
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '')
      .slice(0, 5);
    const isAsDerived = typed.join('\n') === keepUp.join('\n');
    onChange({ keepUp: isAsDerived ? null : typed.map((line) => line.slice(0, 200)) });
  };
  return (
    <section aria-label={name} className="panel p-4">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-[18px]">{name}</h2>
        <div className="flex items-center gap-2">
          <CheckField
            label="In the report"
            checked={told.isShown}
            onChange={(event) => onChange({ isShown: event.target.checked })}
          />
          <MoveButtons name={name} isFirst={isFirst} isLast={isLast} onMove={onMove} />
        </div>
      </div>
      {told.isShown && (
        <div className="mt-2 grid gap-3">
          <Pairs room={room} onChange={onChange} />
          <fieldset>
            <legend className="text-[14px] font-[650]">Figures</legend>
            <div className="flex flex-wrap gap-x-4">
              {room.figures.map(({ code, words }) => (
                <CheckField
                  key={code}
                  label={words}
                  checked={told.figures.includes(code)}
                  onChange={() =>
                    onChange({
                      figures: figureCodes.filter((each) =>
                        each === code ? !told.figures.includes(code) : told.figures.includes(each),
                      ),
                    })
                  }
                />
              ))}
            </div>
          </fieldset>
          <label className="text-[14px]">
            In the client’s own words
            <textarea
              className="input mt-1 min-h-16"
              maxLength={600}
              value={said}
              onChange={(event) => setSaid(event.target.value)}
              onBlur={() => onChange({ said: said.trim() })}
            />
          </label>
          <div className="text-[14px]">
            <label>
              Keep it up, a line each, five at most
              <textarea
                className="input mt-1 min-h-28"
                value={lines}
                onChange={(event) => setLines(event.target.value)}
                onBlur={keepLines}
              />
            </label>
            {told.keepUp !== null && (
              <Button
                className="mt-1"
                onClick={() => {
                  setLines(keepUp.join('\n'));
                  onChange({ keepUp: null });
                }}
              >
                As it follows from the choices
              </Button>
            )}
          </div>
        </div>
      )}
    </section>
  );
}

function MoveButtons({
  name,
  isFirst,
  isLast,
  onMove,
}: Pick<RoomPartProps, 'isFirst' | 'isLast' | 'onMove'> & { readonly name: string }) {
  return (
    <>
      <Button disabled={isFirst} aria-label={`${name} earlier`} onClick={() => onMove(-1)}>
        <ArrowUp size={16} aria-hidden="true" />
      </Button>
      <Button disabled={isLast} aria-label={`${name} later`} onClick={() => onMove(1)}>
        <ArrowDown size={16} aria-hidden="true" />
      </Button>
    </>
  );
}

/** Spots that are told first, in their order; then those that are not. */
function Pairs({ room: { told, spots }, onChange }: Pick<RoomPartProps, 'room' | 'onChange'>) {
  const chosen = told.vantagePointIds.flatMap((id) => spots.find((spot) => spot.id === id) ?? []);
  const rest = spots.filter((spot) => !chosen.includes(spot));
  if (spots.length === 0)
    return <p className="text-[14px] text-soft">No spot was photographed in this room.</p>;
  return (
    <ul className="grid gap-2">
      {[...chosen, ...rest].map((spot, i) => {
        const isChosen = i < chosen.length;
        return (
          <li key={spot.id} className="flex flex-wrap items-center gap-2">
            {[spot.beforeId, spot.afterId].map((id, side) =>
              id === undefined ? (
                <span
                  key={side}
                  className="grid h-12 w-16 place-items-center rounded border border-dashed border-line text-[12px] text-soft"
                >
                  {side === 0 ? 'before' : 'after'}
                </span>
              ) : (
                <PrivatePicture
                  key={side}
                  pictureId={id}
                  size="thumb"
                  alt={`${side === 0 ? 'Before' : 'After'}, ${spot.name}`}
                  className="h-12 w-16 rounded object-cover"
                />
              ),
            )}
            <CheckField
              label={spot.name}
              checked={isChosen}
              onChange={() =>
                onChange({
                  vantagePointIds: isChosen
                    ? told.vantagePointIds.filter((id) => id !== spot.id)
                    : [...told.vantagePointIds, spot.id],
                })
              }
            />
            {isChosen && chosen.length > 1 && (
              <MoveButtons
                name={spot.name}
                isFirst={i === 0}
                isLast={i === chosen.length - 1}
                onMove={(by) =>
                  onChange({ vantagePointIds: [...moved(told.vantagePointIds, i, by)] })
                }
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}

function Outputs({ projectId, consentWords, onConsent, onWithdraw, onSend }: ClosingViewProps) {
  const { mutate, isPending, fields } = useMutation({ showsFields: true });
  const [by, setBy] = useState('');
  const [to, setTo] = useState('');
  const [text, setText] = useState('');
  const address = (query: string) => `/api/projects/${projectId}/closing${query}`;
  return (
    <div className="grid gap-4">
      <section aria-label="Take it along" className="panel p-4">
        <h2 className="text-[18px]">Take it along</h2>
        <div className="mt-2 grid gap-2">
          <a className={buttonClass('main')} href={address('')} target="_blank" rel="noreferrer">
            Open and print
          </a>
          <a className={buttonClass('quiet')} href={address('?as=pdf')} download>
            PDF
          </a>
          <a className={buttonClass('quiet')} href={address('?as=file')} download>
            One file
          </a>
          <a className={buttonClass('quiet')} href={address('?as=pictures')} download>
            Pictures only
          </a>
        </div>
        <details className="mt-2">
          <summary className="min-h-10 content-center text-[14.5px] text-rim max-md:min-h-12">
            Send it by mail
          </summary>
          <div className="grid gap-2">
            <TextField
              label="Mail address"
              type="email"
              value={to}
              error={fields['form.to']}
              onChange={(event) => setTo(event.target.value)}
            />
            <label className="text-[14px]">
              What you write
              <textarea
                className="input mt-1 min-h-20"
                maxLength={4000}
                value={text}
                placeholder="Here is the report of your home."
                onChange={(event) => setText(event.target.value)}
              />
            </label>
            <Button
              look="quiet"
              disabled={isPending}
              onClick={() => void mutate(() => onSend({ to, text }), { done: 'Sent.' })}
            >
              Send the report
            </Button>
          </div>
        </details>
      </section>
      <section aria-label="For others to see" className="panel p-4">
        <h2 className="text-[18px]">For others to see</h2>
        <p className="text-[14px]">
          Pictures and figures without names, addresses, words of the client and money. Only the
          pictures that were agreed to.
        </p>
        {consentWords === undefined ? (
          <div className="mt-2 grid gap-2">
            <TextField
              label="Who agrees"
              value={by}
              error={fields['by']}
              onChange={(event) => setBy(event.target.value)}
            />
            <Button
              look="quiet"
              disabled={isPending}
              onClick={() => void mutate(() => onConsent(by))}
            >
              Note the consent
            </Button>
          </div>
        ) : (
          <div className="mt-2 grid gap-2">
            <p className="text-[14px]">{consentWords}</p>
            <a className={buttonClass('quiet')} href={address('?as=file&portfolio')} download>
              The version for others
            </a>
            <Button
              disabled={isPending}
              onClick={() => void mutate(onWithdraw, { offersUndo: true })}
            >
              The consent was withdrawn
            </Button>
          </div>
        )}
      </section>
    </div>
  );
}
