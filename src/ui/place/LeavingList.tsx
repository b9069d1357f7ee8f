'use client';

import { mayLeaveRoom } from '@/core/place';
import type { Group } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { CheckField } from '../primitives/Field';
import { useMutation } from '../useMutation';

interface LeavingListProps {
  readonly rooms: readonly { readonly id: string; readonly name: string }[];
  readonly groups: readonly Group[];
  readonly onSay: (groupId: string, mayLeave: boolean) => Promise<ActionResult>;
}

/**
 * Which groups may live outside their room; what is in reserve, seasonal or rarely used may until
 * somebody says otherwise.
 */
export function LeavingList({ rooms, groups, onSay }: LeavingListProps) {
  const { mutate } = useMutation();
  const say = async (group: Group, mayLeave: boolean) => {
    await mutate(() => onSay(group.id, mayLeave));
  };
  return (
    <section aria-label="May live in another room">
      <h2 className="caption mb-1 font-text">May live in another room</h2>
      {rooms.map((room) => {
        const own = groups.filter(({ roomId }) => roomId === room.id);
        return (
          own.length > 0 && (
            <details key={room.id} className="border-t border-line">
              <summary className="min-h-9 content-center text-[14px] max-md:min-h-12">
                {room.name}{' '}
                <span className="text-soft">
                  {own.filter(mayLeaveRoom).length} of {own.length}
                </span>
              </summary>
              <div className="pb-1.5">
                {own.map((group) => (
                  <CheckField
                    key={group.id}
                    label={group.name}
                    checked={mayLeaveRoom(group)}
                    onChange={(event) => void say(group, event.target.checked)}
                  />
                ))}
              </div>
            </details>
          )
        );
      })}
    </section>
  );
}
