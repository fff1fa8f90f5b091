import { runInThisContext } from 'node:vm';

// Sequelize writes a trace for every query, in case it fails. Bringing each of its lines back to a source costs a
// twentieth of the tests' time, and tells nobody anything: those traces are left as they are.
const Outer = runInThisContext('Error') as ErrorConstructor;
Error.prepareStackTrace = (error, frames) =>
  frames[0]?.getFileName()?.endsWith('/sequelize.cjs') || !Outer.prepareStackTrace
    ? `${String(error)}${frames.map((frame) => `\n    at ${String(frame)}`).join('')}`
    : (Outer.prepareStackTrace(error, frames) as unknown);
