import { MOST_PHOTO_BYTES, type PHOTO_SUBJECTS } from '@yarnix/core';
import { Camera } from 'lucide-react';
import { useState } from 'react';
import { v7 } from 'uuid';
import { keepPhoto } from './rounds.ts';

type Subject = (typeof PHOTO_SUBJECTS)[number];

const SUBJECT_WORDS: Readonly<Record<Subject, string>> = {
  plate: 'Plate photo',
  wiring: 'Wiring photo',
  damage: 'Damage photo',
  reading: 'Photo of it',
  other: 'Photo',
};

/** Why a file cannot be kept as a photo, seen before it is put into the outbox; null when it can. */
async function whyNot(picture: File): Promise<string | null> {
  if (picture.size > MOST_PHOTO_BYTES) return `Larger than ${MOST_PHOTO_BYTES / 1024 ** 2} MB: take it smaller.`;
  try {
    (await createImageBitmap(picture)).close();
    return null;
  } catch {
    return 'That is no picture, or a damaged one; take it again.';
  }
}

/** Takes or picks a photo; it is kept on the device until it has reached the office. */
export function PhotoButton({
  subject,
  systemId,
  visitId,
  componentId,
  readingId,
}: {
  subject: Subject;
  systemId: string;
  visitId?: string;
  componentId?: string;
  readingId?: string;
}) {
  const [kept, setKept] = useState(0);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = async (picture: File) => {
    const why = await whyNot(picture);
    setWrong(why);
    if (why) return;
    const id = v7();
    const asked = new URLSearchParams({
      systemId,
      subject,
      takenAt: new Date().toISOString(),
      ...(visitId ? { visitId } : {}),
      ...(componentId ? { componentId } : {}),
      ...(readingId ? { readingId } : {}),
    });
    void keepPhoto(visitId ?? null, id, `/api/photos/${id}?${asked.toString()}`, picture);
    setKept((n) => n + 1);
  };
  return (
    <label className="inline-flex min-h-12 cursor-pointer items-center gap-2 rounded-[4px] border-[1.5px] border-rule-strong bg-raised px-4 font-semibold focus-within:border-copper hover:border-copper">
      <Camera aria-hidden size={18} />
      {SUBJECT_WORDS[subject]}
      {kept > 0 && <span className="label">{kept} kept</span>}
      {wrong && (
        <span role="alert" className="text-sm text-act">
          {wrong}
        </span>
      )}
      <input
        type="file"
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        className="sr-only"
        onChange={(event) => {
          const picture = event.target.files?.[0];
          if (picture) void take(picture);
          event.target.value = '';
        }}
      />
    </label>
  );
}
