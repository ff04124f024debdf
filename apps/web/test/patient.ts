import { configure } from '@testing-library/react';

/** Waiting ends when what is waited for is there; a second is too little where two workers share a slow machine. */
configure({ asyncUtilTimeout: 20_000 });
