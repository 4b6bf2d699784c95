/** Labels of the hoses of a job: as files, and to the label printer. */
import type { Person } from '@zephyrcombe/contract';
import { hoseOfJob, MEDIA_TYPES } from '@zephyrcombe/contract';
import { createWriter } from '@zephyrcombe/messages';
import type { Dependencies } from '../../dependencies.ts';
import { calendarDateOf } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { personOf } from '../../http/access.ts';
import type { Handlers } from '../../http/handlers.ts';
import { fileName } from '../../http/handlers.ts';
import { pdfOf } from '../drawings/pdf.ts';
import { svgOf } from '../drawings/svg.ts';
import { loadJobDetail } from '../jobs/job.repository.ts';
import { labelOf } from './label.ts';
import { printLabel } from '../../devices/labelPrinter.ts';

async function sheetOf(dependencies: Dependencies, person: Person, jobId: string, hoseId: string) {
  const detail = await loadJobDetail(dependencies.database, jobId);
  const own = hoseOfJob(detail, hoseId);
  if (!own) throw new AppProblem('not-found');
  return labelOf(detail, own, calendarDateOf(dependencies.clock()), createWriter(person.units));
}

const svgText = (sheet: Awaited<ReturnType<typeof sheetOf>>): string => {
  const [page] = sheet.pages;
  if (!page) throw new AppProblem('not-found');
  return svgOf(page, sheet.title);
};

export function labelHandlers(dependencies: Dependencies): Pick<Handlers, 'printLabel' | 'getLabelFile'> {
  return {
    async printLabel({ request, params }) {
      const sheet = await sheetOf(dependencies, personOf(request), params.jobId, params.hoseId);
      return { number: await printLabel(dependencies.config.labelPrinterPort, svgText(sheet)) };
    },
    async getLabelFile({ request, params: { jobId, hoseId, file } }) {
      const sheet = await sheetOf(dependencies, personOf(request), jobId, hoseId);
      return {
        mediaType: MEDIA_TYPES[file],
        name: fileName(sheet.title, file),
        isShown: true,
        content: file === 'pdf' ? await pdfOf(sheet, dependencies.clock()) : svgText(sheet),
      };
    },
  };
}
