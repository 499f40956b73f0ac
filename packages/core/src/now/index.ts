export { whatNow, type StudioNow, type NowItem } from './what-now';
