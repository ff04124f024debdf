import { DataType, type Model } from 'sequelize-typescript';

/**
 * A column of JSON objects that outlives a damaged file: where what stands there is no JSON it reads as undefined, and
 * all other rows stay readable.
 */
export function jsonText(column: string) {
  return {
    type: DataType.TEXT,
    get(this: Model): object | undefined {
      return objectIn(this.getDataValue(column));
    },
    set(this: Model, value: object | null): void {
      this.setDataValue(column, value && JSON.stringify(value));
    },
  };
}

/** An object from what a column holds; undefined for anything else. */
export function objectIn(stored: unknown): object | undefined {
  try {
    // From a column that was declared as JSON it comes read already.
    const value: unknown = typeof stored === 'string' ? JSON.parse(stored) : stored;
    return typeof value === 'object' && value !== null ? value : undefined;
  } catch {
    return undefined;
  }
}
