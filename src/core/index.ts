/**
 * The contract: what outside checks and other programs may call, by these names. Inside this project leaf modules are imported; workers never import this file.
 */
export { nernstSlope } from './ph/nernst-slope';
export { bufferValue, bufferRange, BUFFER_IDS, type BufferId } from './ph/buffer-value';
export { recogniseBuffer } from './ph/recognise-buffer';
export { fitElectrode, type Electrode, type ElectrodePoint } from './ph/fit-electrode';
export { phFromMillivolts } from './ph/ph-from-millivolts';
export { electrodeCondition, ELECTRODE_LIMITS } from './ph/electrode-condition';
export { electrodeResponse } from './ph/electrode-response';

export { kclStandard, KCL_STANDARDS, type KclStandard } from './conductivity/kcl-standard';
export { astmSolution } from './conductivity/astm-solution';
export { toReferenceTemperature } from './conductivity/to-reference-temperature';
export { naturalWaterTo25 } from './conductivity/natural-water';
export { cellConstant, cellConstantFrom } from './conductivity/cell-constant';
export { practicalSalinity, salinityFromRatio } from './conductivity/practical-salinity';
export { totalDissolvedSolids, mixedSaltSolids } from './conductivity/total-dissolved-solids';
export { displayConductivity, displayDissolvedSolids } from './conductivity/display-conductivity';
export { resistivity } from './conductivity/resistivity';

export { oxygenSolubility } from './oxygen/oxygen-solubility';
export { oxygenSaturationPercent, oxygenPercentOfOneAtmosphere } from './oxygen/oxygen-saturation';
export { airCalibrationTarget, airPlausibility } from './oxygen/air-calibration';
export { oxygenProbeSlope } from './oxygen/oxygen-probe-slope';
export { vapourPressure } from './oxygen/vapour-pressure';

export { standardPressure } from './gas/standard-pressure';
export { volPercentToLel, lelToVolPercent } from './gas/lel';
export { lowerExplosiveLimit, LEL_TABLE } from './gas/lel-table';
export { ppmToMgPerM3, mgPerM3ToPpm, molarVolume } from './gas/ppm-to-mg-per-m3';
export { pidConcentration, pidMixtureFactor, PID_FACTORS_10_6 } from './gas/pid-response';
export { dryGasTarget } from './gas/dry-gas-target';
export { timeWeightedAverage } from './gas/time-weighted-average';
export { shortTermExposure } from './gas/short-term-exposure';
export { drift, zeroAndSpanDrift, sensorHealth } from './gas/drift';

export { gasAvailable } from './supply/gas-available';
export { runsLeft } from './supply/runs-left';
export { costPerRun } from './supply/cost-per-run';
export { runsOutOn } from './supply/runs-out-on';

export { detectPlateau } from './stability/detect-plateau';
export { PlateauStream } from './stability/plateau-stream';
export { fitResponse } from './stability/fit-response';
export { timeToShare } from './stability/response-times';
export { estimateFinal } from './stability/estimate-final';
export { gasMayClose } from './stability/gas-may-close';
export { mostShown } from './stability/most-shown';
export { ResponseRecorder } from './stability/response-recorder';

export { combine } from './uncertainty/combine';
export { budget } from './uncertainty/budget';
export { coverageFactor } from './uncertainty/student';
export { fitLine } from './uncertainty/fit-line';
export { conformityProbability } from './uncertainty/conformity-probability';
export { decide } from './uncertainty/decide';
export { simulate, startSimulation } from './uncertainty/simulate';
export { wilsonInterval, wilsonLowerBound } from './uncertainty/wilson';

export { nextDue } from './interval/next-due';
export { dueByEvent } from './interval/due-by-event';
export { reliabilityAdvice } from './interval/reliability';
export { staircaseAdvice } from './interval/staircase';
export { driftForecast } from './interval/drift-forecast';

export { readingNumber, checkTypedReading } from './quantity/reading';
export { roundHalfEven } from './quantity/round-half-even';
export { roundUncertainty } from './quantity/round-uncertainty';
export { convert, unitOf, UNITS } from './quantity/unit';
