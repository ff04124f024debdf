import { DataType, type Model } from 'sequelize-typescript';

/**
 * A column of JSON objects that outlives a damaged file: where what stands there is no JSON it reads as undefined, and
 * all other rows stay readable.
 */
export function jsonText(column: string) {
  return {
    type: DataType.TEXT,
    get(this: Model): object | undefined {
      return parsed(this.getDataValue(column) as unknown);
    },
    set(this: Model, value: object): void {
      this.setDataValue(column, JSON.stringify(value));
    },
  };
}

function parsed(stored: unknown): object | undefined {
  try {
    // From a column that was declared as JSON it comes read already.
    const value: unknown = typeof stored === 'string' ? JSON.parse(stored) : stored;
    return typeof value === 'object' && value !== null ? value : undefined;
  } catch {
    return undefined;
  }
}
