'use client';

import { useState } from 'react';

import { formatCount, formatLitres, formatMass, type LengthUnit } from '@/core/shared';
import type { Stream, Way } from '@/core/takeAway';
import type { WaitingPile, WaitingShare } from '@/core/takeAway';
import type { ActionResult } from '../actionResult';
import { Checkbox } from '../primitives/Checkbox';
import { Button } from '../primitives/Button';
import { SelectField, TextField } from '../primitives/Field';
import { Link } from '../primitives/Link';
import { useMutation } from '../useMutation';
import { AtStopSheet, type Stop } from './AtStopSheet';
import {
  dayWords,
  LOCAL_RULES,
  refusalWords,
  ruleWords,
  shareName,
  streamWords,
  wayWords,
} from './takeAwayWords';

interface TakeAwayViewProps {
  readonly projectId: string;
  readonly unit: LengthUnit;
  readonly shares: readonly WaitingShare[];
  readonly returns: readonly {
    readonly id: string;
    readonly label: string;
    readonly pieces: number;
    readonly shopName: string;
    readonly returnBy: string;
    readonly roomId: string;
    readonly roomName: string;
  }[];
  readonly hasDestinations: boolean;
  readonly onChoose: (thingIds: readonly string[], destinationId: string) => Promise<ActionResult>;
  /** One way from this home; nothing typed: as usual. */
  readonly onWay: (destinationId: string, minutes: string) => Promise<ActionResult>;
  readonly onWiped: (thingId: string, isWiped: boolean) => Promise<ActionResult>;
}

/** Everything that waits to leave, by where it goes. */
export function TakeAwayView(props: TakeAwayViewProps) {
  const { shares, returns, hasDestinations } = props;
  const [stop, setStop] = useState<Stop>();
  const rules = [...new Set(shares.flatMap(({ piles }) => piles.flatMap(({ rules: own }) => own)))];
  const byTheDoor = shares.reduce((sum, share) => sum + share.byTheDoorCount, 0);
  const piles = shares.reduce((sum, share) => sum + share.piles.length, 0);
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[24px]">What waits to leave</h1>
          <p className="max-w-[70ch] text-[14.5px]" role="status">
            {piles === 0
              ? 'Nothing waits. What is decided at the bench to leave the home shows up here.'
              : `${formatCount(piles, 'pile')}, ${byTheDoor} of them in a box by the door. Nothing is gone until it is handed over.`}
          </p>
        </div>
        <Link
          href="/destinations"
          className="min-h-10 content-center text-rim underline max-md:min-h-12"
        >
          Destinations of every home
        </Link>
      </div>
      {piles > 0 && !hasDestinations && (
        <p className="warn">
          <b>No destination is written down yet.</b> Say where things are taken, when it is open and
          what it refuses, once for every home.
        </p>
      )}
      {shares.map((share) => (
        <Share key={share.key} share={share} {...props} onHandOver={setStop} />
      ))}
      {returns.length > 0 && (
        <section aria-label="Back to the shop" className="panel p-4">
          <h2 className="text-[18px]">Back to the shop</h2>
          <ul className="mt-1 divide-y divide-line">
            {returns.map((line) => (
              <li key={line.id} className="py-1.5 text-[14.5px]">
                {line.pieces} {line.label}, {line.shopName}{' '}
                <span className="text-soft">
                  · {line.roomName}, until {dayWords(line.returnBy)}
                </span>{' '}
                <Link
                  className="text-rim underline"
                  href={`/projects/${props.projectId}/rooms/${line.roomId}/shop`}
                >
                  Note what came back
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      {rules.length > 0 && (
        <section aria-label="Not in the bin" className="panel p-4">
          <h2 className="text-[18px]">Not in the bin</h2>
          <ul className="mt-1 grid gap-1 text-[14.5px]">
            {rules.map((rule) => (
              <li key={rule}>{ruleWords[rule]}</li>
            ))}
          </ul>
          <p className="mt-1.5 text-[14px] text-soft">{LOCAL_RULES}</p>
        </section>
      )}
      {stop && (
        <AtStopSheet
          key={stop.key}
          projectId={props.projectId}
          stop={stop}
          onDone={() => setStop(undefined)}
        />
      )}
    </div>
  );
}

const nameOf = ({ destination, stream }: Pick<WaitingShare, 'destination' | 'stream'>): string =>
  shareName(destination?.name, stream);

const streamsWords = (all: readonly Stream[], first: Stream): string =>
  all.length > 1 ? 'several ways' : streamWords[first].toLowerCase();

function Share({
  share,
  unit,
  onWay,
  onChoose,
  onWiped,
  onHandOver,
}: Pick<TakeAwayViewProps, 'unit' | 'onWay' | 'onChoose' | 'onWiped'> & {
  readonly share: WaitingShare;
  readonly onHandOver: (stop: Stop) => void;
}) {
  const { destination, piles, way, stream } = share;
  const people = stream === 'person' ? [...new Set(piles.map(({ person }) => person))] : [];
  const streams = destination ? streamsWords(destination.streams, stream) : '';
  return (
    <section aria-label={nameOf(share)} className="panel border-t-4 border-t-rim p-4">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <div className="min-w-[200px] flex-1">
          <h2 className="text-[19px]">{nameOf(share)}</h2>
          <p className="text-[14.5px] text-soft">
            {[
              destination?.address ?? '',
              way && !destination?.collects ? wayWords(way) : '',
              destination?.collects ? 'comes for it' : '',
              destination?.byAppointment ? 'by appointment' : '',
              streams,
            ]
              .filter((part) => part !== '')
              .join(' · ')}
          </p>
        </div>
        <p className="text-right font-mono text-[15px]">
          {formatLitres(share.litres)} · {formatMass(share.massG)}
          <span className="block font-text text-[13.5px] text-soft">
            {share.byTheDoorCount} of {formatCount(piles.length, 'pile')} by the door
            {share.fragileCount > 0 && `, ${share.fragileCount} fragile`}
            {share.since !== '' && ` · since ${dayWords(share.since.slice(0, 10))}`}
          </span>
        </p>
      </div>
      {destination && way && !destination.collects && (
        <WayField destinationId={destination.id} name={destination.name} way={way} onWay={onWay} />
      )}
      <ul className="mt-2 divide-y divide-line">
        {piles.map((pile) => (
          <PileLine
            key={pile.id}
            pile={pile}
            unit={unit}
            stream={stream}
            onChoose={onChoose}
            onWiped={onWiped}
          />
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        {people.length <= 1 && (
          <Button
            onClick={() =>
              onHandOver({
                key: share.key,
                destinationId: destination?.id ?? null,
                name: destination?.name ?? people[0] ?? streamWords[stream],
                tripId: null,
                boxIds: [],
                piles: piles.map(({ id, name, count }) => ({ id, name, count })),
                givesReceipt: destination?.givesReceipt ?? false,
                unwipedIds: piles.filter(({ needsWiping }) => needsWiping).map(({ id }) => id),
              })
            }
          >
            Hand over without a trip
          </Button>
        )}
        {people.length > 1 &&
          people.map((person) => (
            <Button
              key={person}
              onClick={() =>
                onHandOver({
                  key: `person ${person}`,
                  destinationId: null,
                  name: person || 'Somebody',
                  tripId: null,
                  boxIds: [],
                  piles: piles
                    .filter((pile) => pile.person === person)
                    .map(({ id, name, count }) => ({ id, name, count })),
                  givesReceipt: false,
                  unwipedIds: piles.filter(({ needsWiping }) => needsWiping).map(({ id }) => id),
                })
              }
            >
              {person || 'Somebody'} has it
            </Button>
          ))}
      </div>
    </section>
  );
}

/** How far it is from this home: typed here it counts before what is usual or estimated. */
function WayField({
  destinationId,
  name,
  way,
  onWay,
}: Pick<TakeAwayViewProps, 'onWay'> & {
  readonly destinationId: string;
  readonly name: string;
  readonly way: Way;
}) {
  const { mutate, fields } = useMutation({ showsFields: true });
  const typed = way.from === 'typed' ? String(way.likely) : '';
  return (
    <TextField
      key={typed}
      label="Minutes from this home"
      aria-label={`Minutes from this home to ${name}`}
      className="mt-2 w-[200px]"
      measure
      inputMode="numeric"
      placeholder={wayWords(way)}
      defaultValue={typed}
      error={fields['minutes']}
      onBlur={(event) => {
        const minutes = event.target.value;
        if (minutes !== typed) void mutate(() => onWay(destinationId, minutes));
      }}
    />
  );
}

function PileLine({
  pile,
  unit,
  stream,
  onChoose,
  onWiped,
}: Pick<TakeAwayViewProps, 'unit' | 'onChoose' | 'onWiped'> & {
  readonly pile: WaitingPile;
  readonly stream: Stream;
}) {
  const { mutate } = useMutation();
  const refusing = pile.places.filter(({ refusal }) => refusal !== undefined);
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
      <span className="min-w-[220px] flex-1">
        <b>
          {pile.count} {pile.name}
        </b>{' '}
        <span className="text-[14px] text-soft">
          {pile.roomName}
          {pile.person !== '' && `, for ${pile.person}`} ·{' '}
          {pile.isByTheDoor ? 'in a box by the door' : 'still in the room'} ·{' '}
          {formatLitres(pile.litres)}, {formatMass(pile.massG)}
          {pile.isFragile && ' · fragile'}
        </span>
        {pile.refused && (
          <span className="block text-[14px] text-signal-deep">
            Refused by {pile.refused.by}
            {pile.refused.reason !== '' && `: ${pile.refused.reason}`}
          </span>
        )}
        {pile.isWrongBin && (
          <span className="block text-[14px] text-signal-deep">
            Decided for the bin, where it must not go. Decide it anew at the bench.
          </span>
        )}
        {refusing.length > 0 && stream !== 'person' && (
          <span className="block text-[13.5px] text-soft">
            {refusing
              .map(({ destination, refusal }) =>
                refusal ? `${destination.name} ${refusalWords(refusal, unit)}` : '',
              )
              .join('; ')}
          </span>
        )}
      </span>
      {(pile.needsWiping || pile.isWiped) && (
        <label className="flex min-h-12 items-center gap-2 text-[14px]">
          <Checkbox
            checked={pile.isWiped}
            onChange={(event) => void mutate(() => onWiped(pile.id, event.target.checked))}
          />
          Data wiped
        </label>
      )}
      {pile.places.length > 1 && (
        <SelectField
          label={`Where ${pile.name} goes`}
          hideLabel
          className="w-[210px]"
          value={pile.isChosen ? pile.placeId : ''}
          onChange={(event) => void mutate(() => onChoose([pile.id], event.target.value))}
        >
          <option value="">nearest that takes it</option>
          {pile.places.map(({ destination, refusal }) => (
            <option key={destination.id} value={destination.id}>
              {destination.name}
              {refusal ? ` (${refusalWords(refusal, unit)})` : ''}
            </option>
          ))}
        </SelectField>
      )}
    </li>
  );
}
