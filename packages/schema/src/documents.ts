import type { TSchema } from '@sinclair/typebox';
import { evaluationRequest, library, part, partCreate, partUpdate, problem, recomputation } from './api.ts';
import { agent, agentRecord } from './agent.ts';
import { brief } from './brief.ts';
import { decision, decisionFile, decisionRequest, fileCheck, drift, signOff, signOffRequest } from './decision.ts';
import { evaluationResult } from './evaluation.ts';
import { grade } from './grade.ts';
import {
  gradeComparison,
  gradeCreate,
  gradePage,
  gradeRecord,
  gradeUpdate,
  companyRulesHistory,
  companyRulesRecord,
  observationComparison,
  observationComparisonRequest,
} from './gradeApi.ts';
import { importJob, importPlan, importRows, importSettings } from './importApi.ts';
import { companyRules } from './companyRules.ts';
import { layup } from './layup.ts';
import { loadCase } from './loadCase.ts';
import { dryer, dryerRecord, dryerSchedule, dryerScheduleRecord } from './dryer.ts';
import { airReading, behaviourChange, instrument, massReading, printProgress } from './instrument.ts';
import { machine, machineRecord } from './machine.ts';
import { priceListPreview, priceListText, priceTaking } from './priceList.ts';
import { printRecord } from './printRecord.ts';
import { place, placeRecord, spool, spoolRecord } from './spool.ts';
import { scheduleProposal, stock } from './stock.ts';
import { savedView } from './savedView.ts';
import { findingAcceptance, findingRecord, installation, installationRecord, serviceFinding } from './service.ts';
import { stageMark } from './stageMark.ts';
import { observation } from './observation.ts';
import { campaign, campaignRecord, specimen } from './campaign.ts';
import { acceptanceRequest, attachment, evidenceImpact, partNotice, trial, trialCurve, trialRecord } from './trial.ts';

/** Every document that is published as a JSON Schema of its own, by file name. */
export const publishedDocuments: readonly TSchema[] = [
  brief,
  loadCase,
  grade,
  observation,
  machine,
  companyRules,
  agent,
  evaluationResult,
  decision,
  decisionRequest,
  decisionFile,
  signOff,
  signOffRequest,
  fileCheck,
  drift,
  library,
  part,
  partCreate,
  partUpdate,
  evaluationRequest,
  recomputation,
  gradeRecord,
  gradeCreate,
  gradeUpdate,
  gradePage,
  gradeComparison,
  observationComparisonRequest,
  observationComparison,
  companyRulesRecord,
  companyRulesHistory,
  agentRecord,
  savedView,
  layup,
  machineRecord,
  spool,
  spoolRecord,
  place,
  placeRecord,
  dryer,
  dryerRecord,
  dryerSchedule,
  dryerScheduleRecord,
  stock,
  scheduleProposal,
  instrument,
  behaviourChange,
  airReading,
  massReading,
  printProgress,
  priceListPreview,
  priceListText,
  priceTaking,
  printRecord,
  importSettings,
  importPlan,
  importJob,
  importRows,
  problem,
  campaign,
  campaignRecord,
  specimen,
  trial,
  trialRecord,
  trialCurve,
  attachment,
  partNotice,
  acceptanceRequest,
  evidenceImpact,
  installation,
  installationRecord,
  serviceFinding,
  findingRecord,
  findingAcceptance,
  stageMark,
];
