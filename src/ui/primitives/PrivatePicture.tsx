'use client';

import { useState, type CSSProperties } from 'react';

interface PrivatePictureProps {
  readonly pictureId: string;
  readonly size?: 'full' | 'thumb';
  readonly alt: string;
  readonly className?: string;
  readonly style?: CSSProperties;
  /** What to do about a file that is gone, in a sentence. */
  readonly whenMissing?: string;
}

/** A picture of the home, from this machine; where its file is gone, the gap is said in its place. */
export function PrivatePicture({
  pictureId,
  size = 'full',
  alt,
  className = '',
  style,
  whenMissing = '',
}: PrivatePictureProps) {
  const [missingId, setMissingId] = useState('');
  if (missingId === pictureId)
    return (
      <span
        role="img"
        aria-label={`${alt}: its file is missing`}
        className={`grid place-items-center bg-signal-wash p-2 text-center text-[13px] text-signal-deep ${className}`}
        style={style}
      >
        <span>
          <b className="block">The file of this picture is missing.</b>
          {whenMissing}
        </span>
      </span>
    );
  return (
    // eslint-disable-next-line @next/next/no-img-element -- private pictures do not go through the image cache
    <img
      // A picture that failed before the page came alive tells nobody; asked again, it does.
      ref={(image) => {
        if (image?.complete && image.naturalWidth === 0) setMissingId(pictureId);
      }}
      src={`/api/pictures/${pictureId}${size === 'thumb' ? '?size=thumb' : ''}`}
      alt={alt}
      className={className}
      style={style}
      onError={() => setMissingId(pictureId)}
    />
  );
}
