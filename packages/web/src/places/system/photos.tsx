import type { SystemDetail } from '@yarnix/core';
import { PhotoButton } from '../../field/photo-button.tsx';
import { dateWords } from '../../kit/field-words.ts';

/** Photos of the system: thumbnails that open the whole picture, and buttons to add one. */
export function Photos({ system }: { system: SystemDetail }) {
  return (
    <>
      <h2 className="mt-6 text-lg font-bold">Photos</h2>
      {system.photos.length > 0 && (
        <ul className="my-2 grid grid-cols-2 gap-2">
          {system.photos.map((photo) => (
            <li key={photo.id}>
              <a href={`/api/photos/${photo.id}`} target="_blank" rel="noreferrer" className="block">
                <img
                  src={`/api/photos/${photo.id}/thumb`}
                  alt={`${photo.subject}, ${dateWords(photo.takenAt)}`}
                  loading="lazy"
                  className="aspect-[4/3] w-full rounded-[4px] border border-rule object-cover"
                />
                <span className="label text-[14px]">
                  {photo.subject}, {dateWords(photo.takenAt)}
                </span>
              </a>
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-2 pt-1">
        <PhotoButton subject="plate" systemId={system.id} />
        <PhotoButton subject="wiring" systemId={system.id} />
        <PhotoButton subject="damage" systemId={system.id} />
      </div>
    </>
  );
}
