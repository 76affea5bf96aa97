// A busy machine answers late; a test that waits for nothing in particular still fails.
import { configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 5000 });
