/**
 * A worked example a calculation: what the reference and the workbench begin with. Made-up figures of an ordinary
 * small job; a calculation without one does not get past the tests.
 */
const SITE = {format: 'jactum.site/1', name: 'Example pump house', units: 'us', latitude: 43.6, longitude: -90.1, timeZone: 'America/Chicago', ruleProfile: 'us-aci', footingTypes: [{mark: 'F1', widthM: 0.508, depthM: 0.254, continuous: {bar: '#5', count: 3}, transverse: null, coverBottomMm: 76.2, coverSideMm: 76.2, coverTopMm: 50.8}], wallTypes: [{mark: 'W1', thicknessM: 0.2032, mats: 1, vertical: {bar: '#4', spacingM: 0.4}, horizontal: {bar: '#4', spacingM: 0.4}, coverInsideMm: 50.8, coverOutsideMm: 50.8}], nodes: [{id: 'A', xM: 0, yM: 0}, {id: 'B', xM: 6, yM: 0}, {id: 'C', xM: 6, yM: 4}, {id: 'D', xM: 0, yM: 4}], runs: [{id: 'AB', kind: 'wall', type: 'W1', from: 'A', to: 'B', bottomM: 0, topM: 2.4}, {id: 'BC', kind: 'wall', type: 'W1', from: 'B', to: 'C', bottomM: 0, topM: 2.4}, {id: 'CD', kind: 'wall', type: 'W1', from: 'C', to: 'D', bottomM: 0, topM: 2.4}, {id: 'DA', kind: 'wall', type: 'W1', from: 'D', to: 'A', bottomM: 0, topM: 2.4}]};
const POUR = {code: 'X1', title: 'Example walls', date: '2026-09-23', elements: ['AB', 'BC', 'CD', 'DA'], mix: 'M1', plant: 'plant', settings: {lifts: 2, firstLoadMin: 450, placingRateM3PerH: 12, wasteRatio: 0.05, sdRatio: 0.03, truckM3: 6, costs: {costPerM3: 190, disposalPerM3: 60, shortFixed: 1400, shortPerM3: 260, callFee: 90}, concreteTempC: 20, ratingKPa: 45}, stripping: {stripMPa: 7, floorH: 12, expectedTempC: 16}};
const MIX = {mark: 'M1', label: '3500 psi', fcMPa: 24.1, slumpMm: 125};
const PLANT = {id: 'plant', label: 'Plant', travel: {medianMin: 35, p90Min: 48}, plantDelay: {medianMin: 5, p90Min: 20}, roundTripMin: 110, trucksM3: [6, 7], stepM3: 0.5};

export const EXAMPLES: Readonly<Record<string, unknown>> = {
  takeoff: SITE,
  'trench-fill': {lengthM: 24, widthM: 0.6, depthM: 0.5, pipeDiameterMm: 100},
  'drain-pitch': {inverts: [{atM: 0, levelM: 98.42}, {atM: 6, levelM: 98.35}, {atM: 12, levelM: 98.36}, {atM: 18, levelM: 98.24}]},
  'clearance-verdict': {crawlHeightM: 0.52, topAboveGradeM: 0.21, workingRoomM: 0.75, footingBottomBelowGradeM: 1.2, frostDepthM: 1.07},
  'level-loop': {benchmarkM: 100, setups: [{backSightM: 1.352, readings: [{id: 'A', rodM: 1.62, planM: 99.73}, {id: 'B', rodM: 1.618, planM: 99.73}]}], closingRodM: 1.353},
  squareness: {s12M: 19.507, s23M: 12.192, s34M: 19.507, s41M: 12.192, d13M: 23.02, d24M: 22.988},
  straightness: {gaugeMm: 25.4, readings: [{stationM: 0, readingMm: 25}, {stationM: 3, readingMm: 29}, {stationM: 6, readingMm: 33}, {stationM: 9, readingMm: 27}]},
  bar: {bar: '#5'},
  'min-cover': {profile: 'us-aci', exposure: 'ground', bar: '#5'},
  'cover-verdict': {specifiedMm: 76.2, memberDepthMm: 304.8, readingsMm: [80, 74, 71, 78], profile: 'aci117'},
  'spacing-verdict': {specifiedMm: 304.8, overMm: 3100, spaces: 10, lengthMm: 6096, countedBars: 21},
  'lap-length': {fcMPa: 27.579, fyMPa: 413.685, bar: '#5', topBar: false, coating: 'none', spacingClass: 'good'},
  hook: {bar: '#5'},
  'rebar-takeoff': { site: SITE },
  'vert-layout': {lengthM: 8.5, spacingM: 0.3048, openings: [{fromM: 3, toM: 4.2}]},
  'anchor-layout': {sections: [{startM: 0, endM: 6.096}], openings: [], keepOuts: []},
  'anchor-verdict': {startM: 0, endM: 6.096, bolts: [{atM: 0.25, embedmentMm: 180}, {atM: 2.2, embedmentMm: 170}, {atM: 4.3}, {atM: 5.9}], maxSpacingM: 1.8288},
  'dimension-verdict': {wantedMm: 254, minusMm: 6.35, plusMm: 9.525, readingsMm: [252, 256, 249]},
  'form-pressure': {method: 'aci347', element: 'wall', placementHeightM: 2.7432, rateMPerH: 1.2192, concreteTempC: 21.1, densityKgM3: 2400, cement: 'plain', retarder: false},
  'max-rate-of-rise': {method: 'aci347', element: 'wall', placementHeightM: 3, concreteTempC: 20, densityKgM3: 2400, cement: 'plain', retarder: false, ratedPressureKPa: 40},
  'tie-load': {pressureKPa: 36, walerSpacingM: 0.6096, tieSpacingM: 0.6096, tieCapacityKN: 13.3},
  'sheathing-span': {thicknessIn: 0.75, supportSpacingM: 0.3048, pressureKPa: 28.7},
  'waler-layout': {wallHeightM: 2.7432, maxPressureKPa: 31.8, headM: 1.35, thicknessIn: 0.75, tieSpacingM: 0.6096, tieCapacityKN: 13.3, walerCapacityKNM: 25, wallLengthM: 11},
  'brace-load': {wallHeightM: 2.7432, braceSpacingM: 2.4384, attachHeightM: 1.8288, angleDeg: 50},
  'brace-turn': {offsetMm: 9, wallHeightM: 2.7, attachHeightM: 1.8, angleDeg: 48, pitchMmPerTurn: 6},
  'order-quantity': {neatM3: 24.6, wasteRatio: 0.05, leftBehindM3: 0.4, sdRatio: 0.03, stepM3: 0.5, costPerM3: 190, disposalPerM3: 60, shortFixed: 1400, shortPerM3: 260},
  'truck-plan': {orderM3: 33, truckM3: 7.5, split: 'even', placingRateM3PerH: 24, travelMin: 35, roundTripMin: 110, firstArriveMin: 450},
  'bag-count': {volumeM3: 0.5, wasteRatio: 0.05, bagLb: 80, trailerKg: 900},
  'site-mix': {parts: {cement: 1, sand: 2, stone: 3}, wcRatio: 0.5, volumeM3: 1.8, mixerM3: 0.12},
  'pump-reach': {kind: 'boom', setUp: {xM: 0, yM: -6, zM: 0}, reachM: 28, cells: [{id: 'north', xM: 4, yM: 14, zM: -1}, {id: 'east', xM: 12, yM: 6, zM: -1}], outriggerKN: 160, bearingKPa: 100, edgeM: 3, excavationDepthM: 2.4, wiresM: 9},
  'placing-rate': {pumpM3PerH: 40, crewM3PerH: 18, trucks: 4, truckM3: 6.88, roundTripMin: 110, planAreaM2: 9.9, riseMPerH: 1.2},
  'slump-verdict': {targetMm: 101.6, kind: 'nominal', measuredMm: 114.3, standard: 'astm', at: 'truck'},
  'water-addition': {loadM3: 7, slumpMm: 75, targetMm: 100, cementitiousKgM3: 335, waterKgM3: 150, maxWcRatio: 0.48, placedM3: 0, addedL: 0},
  'load-verdict': {batchMin: 430, nowMin: 492, concreteTempC: 22, slump: 'low', addL: 14, neededL: 20},
  'joint-window': {concreteTempC: 20},
  'equivalent-age': {tempHistory: [{timeH: 0, tempC: 20}, {timeH: 24, tempC: 20}]},
  'strength-forecast': {f28MPa: 28, cementType: 'I', tempHistory: [{timeH: 0, tempC: 20}, {timeH: 24, tempC: 20}, {timeH: 72, tempC: 15}], targetMPa: 10},
  'sampling-plan': {volumeM3: 27, areaM2: 180, loads: ['L1', 'L2', 'L3', 'L4'], seed: 4},
  'strength-acceptance': {fcMPa: 28, testsMPa: [31.2, 29.5, 27, 28.8, 30.1]},
  evaporation: {concreteTempC: 24, airTempC: 28, humidity: 0.4, windKmH: 18},
  'weather-rules': {leastDimensionM: 0.254, concreteTempC: 18, placeFromMin: 450, placeToMin: 600, forecast: [{timeMin: 420, airTempC: 9, windKmH: 8}, {timeMin: 480, airTempC: 12, windKmH: 12}, {timeMin: 540, airTempC: 15, windKmH: 18, rainMmH: 0.8}, {timeMin: 600, airTempC: 16, windKmH: 22, rainMmH: 3}]},
  daylight: {date: '2026-09-23', timeZone: 'America/Chicago', latitude: 45.2, longitude: -92.6},
  'pour-simulation': {startMin: 480, cells: [{id: 'A1', volumeM3: 6, heightM: 1.2, bottomM: 0}, {id: 'B1', volumeM3: 5, heightM: 1.2, bottomM: 0, moveMin: 3}, {id: 'A2', volumeM3: 6, heightM: 1.2, bottomM: 1.2, moveMin: 4, below: 'A1'}, {id: 'B2', volumeM3: 5, heightM: 1.2, bottomM: 1.2, moveMin: 3, below: 'B1', beside: ['A2']}], loads: [{id: 'L1', volumeM3: 8, batchMin: 440, plantDelay: {medianMin: 0, p90Min: 0}, travel: {medianMin: 30, p90Min: 30}}, {id: 'L2', volumeM3: 8, batchMin: 465, plantDelay: {medianMin: 0, p90Min: 0}, travel: {medianMin: 30, p90Min: 30}}, {id: 'L3', volumeM3: 7, batchMin: 490, plantDelay: {medianMin: 0, p90Min: 0}, travel: {medianMin: 30, p90Min: 30}}], placingRateM3PerH: 30, changeOverMin: 5, leftBehindM3: 0.4, breaks: [], tempC: 20, stiffenMinAt20C: 40, knitMinAt20C: 75, retarderFactor: 1, ratingKPa: 45, densityKgM3: 2400, maxAgeMin: 90, duskMin: 1020, trials: 50, seed: 11},
  'sequence-search': { site: SITE, pour: POUR, mix: MIX, plant: PLANT, duskMin: 1170, choices: { reverse: [false, true], lifts: [1, 2, 3] }, trials: 50 },
  'pour-state': { site: SITE, pour: POUR, mix: MIX, plant: PLANT, events: [{ id: 'e1', at: '2026-09-23T12:40:00Z', kind: 'place-start', body: { elementId: 'AB', lift: 0 } }, { id: 'e2', at: '2026-09-23T12:58:00Z', kind: 'place-stop', body: { elementId: 'AB', lift: 0, filledRatio: 1 } }], now: '2026-09-23T13:10:00Z' },
  yield: {neatTotalM3: 26.4, neatPlacedM3: 12, usedM3: 13.1},
};
