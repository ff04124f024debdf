import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { shown, type Problem } from '@same-song/core';
import { invalid } from './errors.ts';

/** Checks every body, query and parameter against its class; unknown fields are refused at their path. */
export function validationPipe(): ValidationPipe {
  return new ValidationPipe({
    transform: true,
    whitelist: true,
    forbidNonWhitelisted: true,
    stopAtFirstError: true,
    exceptionFactory: (errors) => invalid(errors.flatMap(problemsOf)),
  });
}

/** Classes of requests are flat; what lies deeper is checked by the kind of record. */
function problemsOf({ property, value, constraints = {} }: ValidationError): Problem[] {
  return Object.entries(constraints).map(([rule, message]) => ({
    field: property,
    wrong: shown(value),
    message: rule === 'whitelistValidation' ? `There is no field “${shown(property)}”.` : message,
  }));
}
