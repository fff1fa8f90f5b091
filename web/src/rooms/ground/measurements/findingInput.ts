export { findingInput } from '@kibble/contract';
