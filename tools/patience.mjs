// A busy machine answers late; a test that waits for nothing in particular still fails.
import { afterEach } from '@jest/globals';
import { configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 15_000 });

// What one test typed and did not send must not meet the next one.
afterEach(() => sessionStorage.clear());
