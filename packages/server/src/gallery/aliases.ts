const pairs = (text: string): Record<string, string[]> => Object.fromEntries(text.trim().split('\n').map((line) => {
  const [word, others] = line.split(':')
  return [word!.trim(), others!.split(',').map((other) => other.trim())]
}))

/**
 * Other words for what the gallery calls otherwise, by language: British and American, parts and wholes, near things.
 */
export const ALIASES: Record<string, Record<string, readonly string[]>> = {
  en: pairs(`
    aeroplane: airplane
    armchair: couch and lamp, chair
    aubergine: eggplant
    autumn: fallen leaf, maple leaf
    bag: handbag, backpack, shopping bags
    ball: soccer ball, volleyball, basketball
    barn: derelict house, house
    basin: bathtub
    bath: bathtub
    beach: beach with umbrella
    beard: person beard, man beard
    beaker: tumbler glass, alembic
    bee: honeybee
    biscuit: cookie
    boat: sailboat, motor boat, canoe
    book: open book, books, closed book
    boot: womans boot, hiking boot
    bowl: bowl with spoon, steaming bowl
    box: package
    breakfast: cooking, pancakes, croissant
    brother: boy
    brush: paintbrush, broom, toothbrush
    building: office building
    burger: hamburger
    butcher: cut of meat
    cab: taxi
    cake: birthday cake, shortcake
    candy floss: lollipop
    cap: billed cap
    car: automobile, sport utility vehicle, racing car
    caravan: minibus
    cave: cave entrance
    chest: toolbox
    chick: baby chick, hatching chick
    child: child, boy, girl
    chips: french fries
    chips packet: french fries
    city: cityscape
    clock: mantelpiece clock, alarm clock, twelve oclock
    cockerel: rooster
    coffee: hot beverage
    cooker: fried egg, cooking
    corn: ear of corn
    cottage: house with garden
    couch: couch and lamp
    courgette: cucumber
    crisps: french fries
    cup: teacup without handle, hot beverage, cup with straw
    cutlery: fork and knife
    daisy: blossom, white flower
    dad: man
    dice: game die
    dinosaur: sauropod, t rex
    doctor: health worker, man health worker, woman health worker
    doll: nesting dolls, japanese dolls
    drink: cup with straw, beverage box
    dummy: baby bottle
    earth: globe showing europe africa
    engine: locomotive
    family: family, houses
    farm: tractor, house with garden
    father: man
    film: movie camera, film frames
    fizzy drink: cup with straw
    flag: triangular flag, chequered flag, white flag
    flower: tulip, sunflower, blossom, hibiscus, rose
    football: soccer ball
    fork: fork and knife
    forest: evergreen tree, deciduous tree
    fridge: ice
    fringe: person
    frying pan: cooking
    garden: house with garden, potted plant, tulip
    glass: tumbler glass, glass of milk
    globe: globe showing europe africa, globe with meridians
    grandfather: old man
    grandma: old woman
    grandmother: old woman
    grandpa: old man
    grass: sheaf of rice, herb
    hair: person red hair, person curly hair, woman red hair
    hairdresser: person getting haircut
    hand: raised hand, hand with fingers splayed
    handkerchief: scarf
    hat: top hat, womans hat
    head: bust in silhouette, speaking head
    heart: red heart
    hen: chicken, rooster
    hill: mountain
    holiday: beach with umbrella, luggage
    home: house
    hoover: broom
    ice cream: ice cream, soft ice cream
    jacket: coat
    jam: honey pot
    jelly: custard
    jug: amphora
    juice: beverage box, cup with straw
    jumper: coat
    king: person with crown, crown
    kitchen: cooking
    kitten: cat face, cat
    knight: chess knight
    ladybird: lady beetle
    lake: national park
    lamb: ewe
    lamp: light bulb, couch and lamp, desk lamp
    lawyer: judge
    leaf: leaf fluttering in wind, fallen leaf, maple leaf
    letter: envelope, love letter
    lift: elevator
    light: light bulb
    lightning: high voltage, cloud with lightning
    lips: mouth, biting lip
    loaf: bread
    lorry: delivery truck, articulated lorry
    magician: mage
    map: world map
    market: shopping cart
    mat: red paper lantern
    maths: abacus, plus
    maize: ear of corn
    meal: fork and knife with plate, pot of food
    meat: cut of meat, meat on bone
    milk: glass of milk
    mobile: mobile phone
    money: money bag, dollar banknote, coin
    moon: crescent moon, full moon
    mother: woman
    motorbike: motorcycle
    mountain: mountain, snow capped mountain
    mug: hot beverage
    mum: woman
    music: musical note, musical notes
    nappy: baby symbol
    necklace: prayer beads
    neighbour: houses
    night: night with stars
    noodles: steaming bowl
    nurse: woman health worker, health worker
    ocean: water wave
    orange: tangerine
    oven: cooking
    paint: artist palette
    painter: artist
    painting: framed picture
    pants: briefs, jeans
    paper: page facing up, scroll
    park: national park, playground slide
    party: party popper
    pavement: motorway
    pencil case: clutch bag
    pepper: bell pepper, hot pepper
    pet: dog face, cat face
    phone: telephone, mobile phone
    piano: musical keyboard
    pigeon: dove, bird
    plane: airplane, small airplane
    plant: potted plant, seedling
    plaster: adhesive bandage
    plate: fork and knife with plate
    playground: playground slide
    police: police officer, police car
    policeman: man police officer, police officer
    pond: duck
    pony: horse
    post: mailbox, postbox, envelope
    pram: baby
    present: wrapped gift
    pumpkin: jack o lantern
    puppy: dog face, dog
    puzzle: puzzle piece
    pyjamas: bed
    queen: princess, crown
    rain: cloud with rain
    reindeer: deer
    rice: cooked rice
    river: national park
    road: motorway
    room: couch and lamp, bed
    rubber: straight ruler
    rubbish: wastebasket
    ruler: straight ruler, triangular ruler
    sack: money bag
    salad: green salad
    sausage: hot dog
    school bag: backpack
    schoolbag: backpack
    science: test tube, microscope, alembic
    sea: water wave, sailboat
    seed: seedling
    sheep: ewe, ram
    shell: spiral shell
    ship: passenger ship, ship
    shirt: t shirt, necktie
    shoe: running shoe, mans shoe
    shop: convenience store, department store, shopping cart
    sister: girl
    skirt: dress
    sky: sun behind cloud, cloud
    sledge: sled
    smile: smiling face
    snow: snowflake, cloud with snow, snowman
    sofa: couch and lamp
    soldier: guard
    soup: bowl with spoon, steaming bowl, pot of food
    spring: cherry blossom, tulip
    sticking plaster: adhesive bandage
    stone: rock
    storm: cloud with lightning and rain, tornado
    story: open book
    stove: cooking
    street: motorway, cityscape
    suitcase: luggage
    summer: sun, beach with umbrella
    supermarket: shopping cart, department store
    swimmer: person swimming
    swimming: person swimming
    swimsuit: one piece swimsuit
    sweet: candy, lollipop
    sword: dagger, crossed swords
    table: ping pong, chair
    tap: potable water
    tea: teacup without handle, teapot
    teddy: teddy bear
    telly: television
    tennis ball: tennis
    theatre: performing arts
    tights: leg
    tin: canned food
    toast: bread
    torch: flashlight
    tortoise: turtle
    tower: tokyo tower
    toy: teddy bear, yo yo
    train: locomotive, train, high speed train
    trainers: running shoe
    tree: deciduous tree, evergreen tree
    trousers: jeans
    truck: delivery truck, pickup truck
    tube: metro
    tv: television
    uncle: man
    vacuum cleaner: broom
    van: minibus, delivery truck
    vase: amphora
    vegetable: leafy green, carrot
    village: houses, hut
    wall: brick
    wallet: purse
    wardrobe: dress
    washing machine: basket
    wasp: honeybee
    water: droplet, potable water, glass of milk
    weather: sun behind cloud
    wellies: womans boot
    wellingtons: womans boot
    wheat: sheaf of rice
    wheel: ferris wheel, wheel
    wind: wind face, leaf fluttering in wind
    winter: snowflake, snowman
    witch: mage
    woods: evergreen tree
    world: globe showing europe africa
    yacht: sailboat
    year: calendar
    zoo: lion, elephant
  `),  es: pairs(`
    balón: pelota
    móvil: teléfono móvil
    ordenador: ordenador de sobremesa
    zumo: tetrabrik
  `),
  de: pairs(`
    handy: mobiltelefon
    möhre: karotte
  `),
  zh: pairs(`
    叉子: 刀叉
    鸡蛋: 蛋
    牛奶: 一杯奶
    大海: 海浪
  `),
}
