export { databaseAnswers } from '@/data/connection';
