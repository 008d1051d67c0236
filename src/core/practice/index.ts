export { alignTake } from './align';
export { bleeds, latencyOf, type Latency } from './calibrate';
export { CHORD_KINDS, CHORD_KIND_WORDS, chordKind, type ChordKind } from './chord-kind';
export { compareTakes, takeNotes, viewTake, type Comparison, type TakeView } from './compare';
export {
	answerBars,
	drillOf,
	passMs,
	PRESETS,
	styleOf,
	usualLoops,
	type Drill,
	type Preset
} from './drill';
export { drillLine, PRESET_WORDS, ruleWords } from './drill-words';
export { dueChanges, msOf, roundMs, type Due } from './due';
export { habitsOf, type Habits, type HabitTake } from './habits';
export { Gathered, hearRecording } from './hear/recording';
export { NoteTracker, type Heard, type Meter } from './hear/tracker';
export { judge } from './judge';
export { climb, foot, LADDER, ladderFor, rungs, type Ladder, type LadderPlace } from './ladder';
export { adviceOn, nextStep, type NextStep } from './next-step';
export { inKey, type KeyedTune } from './in-key';
export { passRequest, USUAL_TOLERANCE, type Pass } from './request';
export { keysFrom, nextKey, nextPlace } from './rotation';
export {
	gradeByHand,
	gradeOf,
	HAND_GRADES,
	newSchedule,
	review,
	type HandGrade,
	type PracticeGrade,
	type Schedule
} from './schedule';
export {
	landingNotes,
	simulate,
	SKILLS,
	type PlanNote,
	type Skill,
	type SkillName
} from './simulate';
export { isLanded, spreadOf, summarise, type Slip, type TakeSummary } from './summary';
export { todayList, type DueCard, type TodayItem, type TodayReason } from './today';
export {
	ALLOWED_NOTES,
	LANDINGS,
	RESULTS,
	type JudgedChange,
	type Judgement,
	type JudgeRequest,
	type PlayedEvent,
	type Result,
	type RuleName,
	type Rules,
	type Timing,
	type Violation
} from './types';
export { warmUp, WARM_UPS, WARM_UP_WORDS, type WarmUp } from './warm-up';
