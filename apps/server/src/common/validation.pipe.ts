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
    exceptionFactory: (errors) => invalid(errors.flatMap((error) => problemsOf(error, ''))),
  });
}

function problemsOf(error: ValidationError, prefix: string): Problem[] {
  const field = prefix + error.property;
  const own = Object.entries(error.constraints ?? {}).map(([rule, message]) => ({
    field,
    wrong: shown(error.value),
    message: rule === 'whitelistValidation' ? `There is no field “${shown(error.property)}”.` : message,
  }));
  return [...own, ...(error.children ?? []).flatMap((child) => problemsOf(child, `${field}.`))];
}
