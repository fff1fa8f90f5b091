import { TestEnvironment } from 'jest-environment-jsdom';

/** A page's requests are made from where the page is. */
class PageRequest extends Request {
  constructor(input, init) {
    super(typeof input === 'string' ? new URL(input, 'http://localhost') : input, init);
  }
}

/** The page's world for tests of components: jsdom, with the requests of Node, which it has none of its own of. */
export default class DomEnvironment extends TestEnvironment {
  constructor(...args) {
    super(...args);
    Object.assign(this.global, {
      fetch,
      Request: PageRequest,
      Response,
      Headers,
      AbortController,
      AbortSignal,
    });
  }
}
