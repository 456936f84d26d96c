export { databaseAnswers } from '@/data/connection';
export { isStopping } from './stopping';
