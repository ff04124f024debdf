import { Injectable } from '@nestjs/common';
import { isId, isRecord, shown } from '@same-song/core';
import { invalid } from '../common/errors.ts';
import { RecordsService } from '../records/records.service.ts';
import type { GivenArrangement } from './work.ts';

/** Looks up what an arrangement names by its id. */
@Injectable()
export class ArrangementFinder {
  constructor(private readonly records: RecordsService) {}

  /**
   * @param given the id of a kept arrangement, or an object with an instrument or the id of one
   * @throws ApiError 404 for an id that is not there, 422 for anything else
   */
  async found(given: unknown): Promise<GivenArrangement> {
    if (isId(given)) {
      const { instrumentId, plan } = await this.records.get('arrangements', given);
      return { instrument: await this.#instrument(instrumentId), plan, dialect: undefined };
    }
    if (!isRecord(given)) {
      const message = 'An arrangement is the id of a kept one, or an object with an instrument.';
      throw invalid([{ field: 'arrangement', wrong: shown(given), message }]);
    }
    const { instrument, plan, dialect, ...others } = given;
    const [unknown] = Object.keys(others);
    if (unknown !== undefined) {
      const message = `There is no field “${shown(unknown)}”.`;
      throw invalid([{ field: `arrangement.${unknown}`, wrong: shown(unknown), message }]);
    }
    return { instrument: isId(instrument) ? await this.#instrument(instrument) : instrument, plan, dialect };
  }

  /** One of the cabinet, without what the record adds. */
  async #instrument(id: unknown): Promise<unknown> {
    const { id: _, version: __, ...spec } = await this.records.get('instruments', String(id));
    return spec;
  }
}
