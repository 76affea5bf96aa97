import type { RefObject } from 'react';

/** A file input that a button elsewhere opens; the same file can be chosen twice in a row. */
export function FilePick({
  input,
  accept,
  label,
  testId,
  onFile,
}: {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly accept: string;
  readonly label: string;
  readonly testId: string;
  readonly onFile: (file: File) => void;
}) {
  return (
    <input
      ref={input}
      type="file"
      accept={accept}
      className="sr-only"
      tabIndex={-1}
      aria-label={label}
      data-testid={testId}
      onChange={(e) => {
        const file = e.target.files?.[0];
        e.target.value = '';
        if (file) onFile(file);
      }}
    />
  );
}
