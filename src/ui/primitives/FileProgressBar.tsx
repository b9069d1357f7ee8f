import type { FileProgress } from '../sendFile';
import { Button } from './Button';

const STAGE_WORDS: Readonly<Record<string, string>> = {
  sending: 'Sending',
  checking: 'Checking',
  pictures: 'Reading the pictures',
  keeping: 'Keeping',
};

/** How far a file is, with the way to stop it. */
export function FileProgressBar({
  progress,
  onStop,
}: {
  readonly progress: FileProgress;
  /** None where it can no longer be stopped. */
  readonly onStop: (() => void) | undefined;
}) {
  const words = STAGE_WORDS[progress.stage] ?? 'Working';
  return (
    <div role="status" className="flex basis-full flex-wrap items-center gap-3 text-[14px]">
      <span className="min-w-[150px]">{words} …</span>
      <progress
        className="h-2 min-w-[160px] flex-1"
        value={progress.done}
        max={Math.max(1, progress.of)}
        aria-label={words}
      />
      {onStop && (
        <Button look="plain" onClick={onStop}>
          Stop
        </Button>
      )}
    </div>
  );
}
