import { expose } from 'comlink';
import { Coverer } from './coverer';

expose(new Coverer());
