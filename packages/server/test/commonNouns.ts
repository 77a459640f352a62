/**
 * Two hundred common nouns of a primary school, each with the pictures of the gallery that a teacher would call right.
 * A noun alone stands for a picture of that very name.
 */
const LINES = `
apple: red-apple green-apple | banana | orange: tangerine | lemon | grapes | cherry: cherries | strawberry | pear | peach | melon | bread: bread baguette-bread | cheese: cheese-wedge | egg
milk: glass-of-milk | butter | rice: cooked-rice rice-ball | meat: cut-of-meat meat-on-bone | chicken | fish: fish tropical-fish | soup: bowl-with-spoon pot-of-food steaming-bowl | salad: green-salad
sandwich | pizza | cake: birthday-cake shortcake | biscuit: cookie | chocolate: chocolate-bar | sweet: candy lollipop | ice cream: ice-cream soft-ice-cream | honey: honey-pot dripping-honey | salt
potato | tomato | carrot | onion | mushroom: mushroom brown-mushroom | corn: ear-of-corn | pepper: bell-pepper hot-pepper | beans | water: droplet glass-of-milk potable-water | juice: beverage-box cup-with-straw
tea: teacup-without-handle teapot | coffee: hot-beverage | cup: cup-with-straw teacup-without-handle hot-beverage | glass: tumbler-glass glass-of-milk | plate: fork-and-knife-with-plate | bowl: bowl-with-spoon steaming-bowl
spoon | fork: fork-and-knife | knife: kitchen-knife fork-and-knife | bottle: baby-bottle lotion-bottle
dog | cat | horse | cow | pig | sheep: ewe ram | goat | rabbit | mouse | duck | hen: chicken rooster | bird | owl | eagle | bee: honeybee | butterfly | spider | ant | snail | frog | snake | turtle | lion | tiger
elephant | monkey | bear | wolf | fox | deer | camel: camel two-hump-camel | whale: whale spouting-whale | shark | dolphin | crab | penguin | otter | squirrel: squirrel chipmunk | hedgehog | bat | swan | peacock | parrot | zebra
tree: deciduous-tree evergreen-tree palm-tree | flower: tulip sunflower blossom hibiscus rose | leaf: leaf-fluttering-in-wind fallen-leaf maple-leaf | grass: herb grass high-grass | rose | sun: sun sun-with-face | moon: crescent-moon full-moon
star: star glowing-star | cloud | rain: cloud-with-rain | snow: cloud-with-snow snowflake snowman | wind: wind-face leaf-fluttering-in-wind | storm: cloud-with-lightning-and-rain tornado | rainbow | fire
mountain: mountain snow-capped-mountain | river | sea: water-wave | beach: beach-with-umbrella | island: desert-island | forest: evergreen-tree deciduous-tree forest | desert | volcano
house: house houses | door | window | room: couch-and-lamp | kitchen: cooking | bed | chair | table: table round-table | lamp: light-bulb couch-and-lamp | clock: alarm-clock mantelpiece-clock twelve-oclock | key: key old-key | mirror
bath: bathtub person-taking-bath | toilet | shower | towel | soap | brush: paintbrush broom toothbrush | bag: handbag backpack shopping-bags | box: package | basket | umbrella: umbrella closed-umbrella | book: open-book books closed-book
pen: pen fountain-pen | pencil | paper: page-facing-up scroll | scissors | ruler: straight-ruler triangular-ruler | school | teacher: teacher man-teacher woman-teacher | student: student man-student woman-student | desk
computer: desktop-computer laptop | phone: telephone mobile-phone | camera | television | radio | letter: envelope incoming-envelope | map: world-map | money: money-bag dollar-banknote coin
car: automobile sport-utility-vehicle racing-car | bus | train: train high-speed-train locomotive | bicycle | boat: sailboat motor-boat canoe | ship: ship passenger-ship | plane: airplane small-airplane | rocket
truck: delivery-truck pickup-truck | tractor | road: motorway road | bridge: bridge arch-bridge bridge-at-night | street: cityscape motorway | city: cityscape | village: houses village | farm: tractor house-with-garden
shop: convenience-store department-store | hospital | church | castle: castle japanese-castle | tower: tokyo-tower clock-tower | park: national-park playground-slide | garden: house-with-garden potted-plant
hat: top-hat womans-hat | shirt: t-shirt shirt | trousers: jeans | dress | coat | sock: socks | shoe: running-shoe mans-shoe flat-shoe | boot: womans-boot hiking-boot | glove: gloves | scarf | ring | glasses
hand: raised-hand hand-with-fingers-splayed | foot | eye: eye eyes | ear | nose | mouth | tooth | hair: person-red-hair person-curly-hair woman-red-hair | head: bust-in-silhouette | arm: arm mechanical-arm flexed-biceps | leg
heart: red-heart anatomical-heart | bone | baby | boy | girl | man | woman | family: family family-house | king: person-with-crown king | queen: princess chess-queen | doctor: health-worker man-health-worker woman-health-worker
nurse: health-worker woman-health-worker nurse-female | farmer: farmer man-farmer woman-farmer | ball: soccer-ball volleyball basketball | kite | drum | guitar | piano: musical-keyboard | violin | trumpet | bell
`

/** Nouns, each with the names of its right pictures. */
export const COMMON_NOUNS: readonly { noun: string; right: readonly string[] }[] = LINES.trim()
  .split(/[|\n]/u)
  .map((part) => {
    const [noun = '', right = ''] = part.split(':').map((side) => side.trim())
    return { noun, right: right === '' ? [noun] : right.split(' ') }
  })
  .slice(0, 200)
