import 'react';

declare module 'react' {
  /** Variables of style sheets may be set beside properties. */
  interface CSSProperties {
    [variable: `--${string}`]: string | undefined;
  }
}
