import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { shown, under, type Problem } from '@same-song/core';
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

/** Contents of records are no classes: they are checked by their kind. */
function problemsOf({ property, value, constraints = {}, children = [] }: ValidationError): Problem[] {
  const own = Object.entries(constraints).map(([rule, message]) => ({
    field: property,
    wrong: shown(value),
    message: rule === 'whitelistValidation' ? `There is no field “${shown(property)}”.` : message,
  }));
  return [...own, ...under(property, children.flatMap(problemsOf))];
}
