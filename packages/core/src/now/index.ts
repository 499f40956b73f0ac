export { firstHour, FIRST_STEPS, type FirstHour, type FirstStep, type FirstHourStudio } from './first-steps';
export { whatNow, type StudioNow, type NowItem } from './what-now';
