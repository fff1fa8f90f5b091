/** `npm start`: your own garden. */
import { serve } from './serve.mjs';

serve([]);
