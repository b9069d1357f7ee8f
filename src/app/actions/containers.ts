'use server';

import { z } from 'zod';

import {
  containerIdSchema,
  currencySchema,
  formatCount,
  offerIdSchema,
  projectIdSchema,
} from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { insertStarterCatalogue } from '@/data/starterCatalogue';
import {
  addCatalogueContainer,
  addOwnedContainer,
  changeOwnedContainer,
  removeOwnedContainer,
} from '@/server/fit/addContainer';
import {
  changeCatalogueContainer,
  removeCatalogueContainer,
  removeOffer,
  removeSamples,
  saveOffer,
} from '@/server/fit/editCatalogue';
import type { ActionResult } from '@/ui/actionResult';
import {
  catalogueFormSchema,
  offerFormSchema,
  ownedFormSchemaFor,
  soldFormSchemaFor,
} from '@/ui/fit/containerForm';
import { answer, done, showAnew } from './answer';

export async function addOwnedContainerAction(
  projectId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(z.object({ projectId: projectIdSchema }), { projectId }, async (input) => {
    const db = await getDatabase();
    const { project } = await loadRecords(db, input.projectId, 'project');
    return answer(ownedFormSchemaFor(project.units), typed, async (form) => {
      await addOwnedContainer(db, input.projectId, form);
      return done;
    });
  });
}

export async function removeOwnedContainerAction(
  projectId: string,
  containerId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, containerId: containerIdSchema }),
    { projectId, containerId },
    async (input) => {
      await removeOwnedContainer(await getDatabase(), input.projectId, input.containerId);
      return done;
    },
  );
}

export async function changeOwnedContainerAction(
  projectId: string,
  containerId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, containerId: containerIdSchema }),
    { projectId, containerId },
    async (input) => {
      const db = await getDatabase();
      const { project } = await loadRecords(db, input.projectId, 'project');
      return answer(ownedFormSchemaFor(project.units), typed, async (form) => {
        await changeOwnedContainer(db, input.projectId, input.containerId, form);
        return done;
      });
    },
  );
}

export async function changeContainerAction(
  containerId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({ containerId: containerIdSchema, form: catalogueFormSchema }),
    { containerId, form: typed },
    async (input) => {
      await changeCatalogueContainer(await getDatabase(), input.containerId, input.form);
      return done;
    },
  );
}

export async function removeContainerAction(containerId: string): Promise<ActionResult> {
  return answer(z.object({ containerId: containerIdSchema }), { containerId }, async (input) => {
    const removed = await removeCatalogueContainer(await getDatabase(), input.containerId);
    if (removed.ok) return done;
    const { fits, purchases } = removed.error;
    const uses = [
      fits > 0 && formatCount(fits, 'taken fit'),
      purchases > 0 && formatCount(purchases, 'purchase'),
    ].filter(Boolean);
    return {
      ok: false,
      message:
        `A home stands on it (${uses.join(', ') || 'a wish of a fit or of a list'}). ` +
        'Remove its prices instead: then nothing new proposes it.',
    };
  });
}

/** Typed: a price of a container, new where it has no id. */
export async function saveOfferAction(
  containerId: string,
  offerId: string | null,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({
      containerId: containerIdSchema,
      offerId: offerIdSchema.nullable(),
      form: offerFormSchema,
    }),
    { containerId, offerId, form: typed },
    async (input) => {
      await saveOffer(await getDatabase(), input.containerId, {
        ...input.form,
        id: input.offerId ?? undefined,
      });
      return done;
    },
  );
}

export async function removeOfferAction(offerId: string): Promise<ActionResult> {
  return answer(z.object({ offerId: offerIdSchema }), { offerId }, async (input) => {
    await removeOffer(await getDatabase(), input.offerId);
    return done;
  });
}

/** Sample containers with made-up shops, to try the first fit with. */
export async function addSamplesAction(currency: string): Promise<ActionResult> {
  return answer(z.object({ currency: currencySchema }), { currency }, async (input) => {
    await insertStarterCatalogue(await getDatabase(), input.currency);
    return done;
  });
}

export async function removeSamplesAction(): Promise<ActionResult & { readonly words?: string }> {
  const { removed, stayed } = await removeSamples(await getDatabase());
  showAnew();
  return {
    ...done,
    words:
      `${formatCount(removed, 'sample')} removed` +
      `${stayed > 0 ? `; ${stayed} stay, because a home stands on them` : ''}.`,
  };
}

/** The catalogue belongs to no home, so bare numbers in it are centimetres. */
export async function addSoldContainerAction(typed: unknown): Promise<ActionResult> {
  return answer(soldFormSchemaFor('cm'), typed, async (form) => {
    await addCatalogueContainer(await getDatabase(), form);
    return done;
  });
}
