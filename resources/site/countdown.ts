import { start } from './counting';

start();
