// Jest asks for traces of 100 frames, and sequelize writes one out for every query: a tenth of the tests' time. Ten are Node's own.
Error.stackTraceLimit = 10;
