export { alignTake } from './align';
export { bendAdvice, isBent } from './bends';
export { bleeds, latencyOf } from './calibrate';
export { CHORD_KINDS, CHORD_KIND_WORDS, chordKind, type ChordKind } from './chord-kind';
export { compareTakes, passNotes, viewTake } from './compare';
export { drillOf, moveDrill, passMs, PRESETS, styleOf, type Drill, type Preset } from './drill';
export { drillLine, PRESET_WORDS } from './drill-words';
export { dueChanges, roundMs, type Due } from './due';
export { habitsOf, type Habits } from './habits';
export { hearRecording } from './hear/recording';
export { NoteTracker } from './hear/tracker';
export { type Heard, type Meter } from './hear/heard';
export { judge } from './judge';
export { climb, foot, LADDER, rungs, type Ladder, type LadderPlace } from './ladder';
export { adviceOn, nextStep, type NextStep } from './next-step';
export { inKey, type KeyedTune } from './in-key';
export { passRequest, USUAL_TOLERANCE } from './request';
export { keysFrom, nextKey, nextPlace } from './rotation';
export {
	gradeByHand,
	gradeOf,
	HAND_GRADES,
	newSchedule,
	review,
	type HandGrade,
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
export { summarise, type TakeSummary } from './summary';
export { todayList, type DueCard, type TodayItem, type TodayReason } from './today';
export {
	ALLOWED_NOTES,
	INPUTS,
	LANDINGS,
	RESULTS,
	type InputKind,
	type JudgedChange,
	type Judgement,
	type JudgeRequest,
	type PlayedEvent,
	type Result,
	type Rules
} from './types';
export { warmUp, WARM_UPS, WARM_UP_WORDS, type WarmUp } from './warm-up';
