/** A database beside it, on two cores: what takes a second alone may take ten when the machine is busy. */
jest.setTimeout(30_000);
