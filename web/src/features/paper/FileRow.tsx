/** Files of a drawing: made by the server from what was entered, saved by the browser. */
import type { DrawingFormat, Paper } from '@zephyrcombe/contract';
import { drawingAddress, PAPERS } from '@zephyrcombe/contract';
import { useMutation } from '@tanstack/react-query';
import type { ApiError } from '../../api/client.ts';
import { fetchFile } from '../../api/client.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Fine, Line, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { NotOnPaper } from './NotOnPaper.tsx';
import { ErrorWords } from '../../api/ErrorWords.tsx';

const PAPER_WORDS: Readonly<Record<Paper, string>> = { A4: 'A4', letter: 'letter, 8½ × 11 in' };

export const paperNamed = (text: string): Paper => PAPERS.find((known) => known === text) ?? 'A4';

interface FileRowProps {
  readonly of: 'templates' | 'hard-line';
  /** Null while something is still missing. */
  readonly body: object | null;
  /** What a person typed that stands in the files. */
  readonly texts: readonly string[];
  readonly paper: Paper;
  readonly onPaper: (paper: Paper) => void;
  readonly files: readonly {
    readonly format: DrawingFormat;
    readonly page: number;
    readonly words: string;
  }[];
}

export function FileRow({ of, body, texts, paper, onPaper, files }: FileRowProps) {
  const save = useMutation<void, ApiError, { format: DrawingFormat; page: number }>({
    mutationFn: async ({ format, page }) => {
      if (body === null) return;
      const { name, blob } = await fetchFile(`${drawingAddress(of, format)}?page=${page}`, body);
      const address = URL.createObjectURL(blob);
      const link = document.createElement('a');
      link.href = address;
      link.download = name;
      link.click();
      URL.revokeObjectURL(address);
    },
  });
  return (
    <Stack $gap={8}>
      <Pick
        label="Paper"
        value={paper}
        options={PAPERS.map((value) => ({ value, text: PAPER_WORDS[value] }))}
        onChange={(next) => onPaper(paperNamed(next))}
      />
      <NotOnPaper texts={texts} />
      <Line>
        {files.map(({ format, page, words }) => (
          <PlainButton
            key={`${format} ${page}`}
            isPending={save.isPending}
            because={body === null ? 'A figure above is still missing.' : null}
            onPress={() => save.mutate({ format, page })}
          >
            {words}
          </PlainButton>
        ))}
      </Line>
      {save.error ? (
        <Notice severity="warn" title={save.error.title}>
          <ErrorWords error={save.error} />
        </Notice>
      ) : (
        <Fine>Print at 100 %, and lay a ruler on the bars before anything is measured on paper.</Fine>
      )}
    </Stack>
  );
}
