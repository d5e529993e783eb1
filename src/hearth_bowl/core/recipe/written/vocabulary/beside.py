"""Words beside a name that do not say what it is.

Common practice; numbers with no source beside them are judgements.
"""

from typing import Final

_HARMLESS: Final = """
the and with for from into about approx approximately around roughly plus more extra additional good quality best
fresh freshly finely coarsely chopped chop sliced diced grated ground broken pieces piece chunks chunk small large
medium big little heaped heaping level scant rounded generous packed lightly loosely sifted sieved melted softened
soft cold cool warm hot boiling room temperature temp cubed cubes cut crushed crumbled toasted roasted blanched
whole halved pitted stoned peeled unpeeled skinned skin skins seeds removed scraped drained rinsed dried dry ripe
organic plain pure natural unsalted your own choice favourite favorite any kind brand optional taste needed
dusting rolling dipping enrobing coating divided remaining rest part parts teil teile parte partes parti parties decorating decorate decoration serve serving sprinkle sprinkling top topping finish
finishing garnish use using used see note notes each per pack packs packet packets tin tins can cans bar bars block
blocks carton cartons tub tubs tube tubes jar jars bottle bottles bag bags sachet sachets box boxes gram grams kilo
kilos ounce ounces pound pounds millilitre millilitres litre litres liter liters teaspoon teaspoons tablespoon
tablespoons tsp tbsp tsps tbsps cup cups pint pints fluid floz stick sticks pinch pinches dash drop drops knob
walnut-sized size lump handful few couple dozen half quarter third two three four five six seven eight nine ten
eleven twelve one zest rind leaves leaf sheet sheets pod pods split lengthways vol alcohol proof abv cocoa solids
fat minimum min max least least. chips buttons callets couverture dessert cooking baking full-fat thick thin runny clear pale strong weak medium-strong freshly-brewed brewed shot shots instant fine
granulated superfine miniature miniatures miniature-bottle glass glasses spoon spoons ladle mug mugs
heaped-teaspoon about. tall gently lukewarm cooled chilled frozen thawed defrosted beaten whisked whipped stiff
peaks separated nibbed flaked slivered shelled kernels kernel raw unsalted. de du des la le les un une di del della
dei il lo gli con senza sin sem com para por e et und mit aus der die das den dem ein eine einen gemahlen gehackt
geschmolzen weich fein grob frisch flüssig haché hachée fondu fondue mou molle râpé entier entière liquide frais
fraîche tritato fuso morbido fresco intero derretida derretido picado picada ralado mole temperatura ambiente
colher colheres sopa chá xícara xícaras copo lata latas cucharada cucharadas cucharadita taza tazas cuillère
cuillères soupe café tasse tasses pincée gousse esslöffel teelöffel prise
handful handfuls smooth crunchy type style
irish scottish bote tostadas tostada package packages päckchen becher dose dosen tafel tafeln
cucchiaio cucchiai cucchiaino cucchiaini pizzico bustina grammi gramos gramas gramm grammes
lbs pot pots pkg pkgs square squares quarters thirds punnet dessertspoon dessertspoons pck envelope envelopes sobre
sobres greasing tbl tbls tbs tblsp teasp agar
fendue fendues fendu grattée mark einer eines graines
càs càc cas cac cuil cuillerée cuillerées rase rases bombée bombées gouttes goutte feuilles feuille brique briques
sachet verre verres environ selon goût température ambiante chaud chaude tiède froid froide ramolli ramollie ramollis
pommade haché hachés hachées concassé concassés concassées torréfié torréfiés torréfiées grillé grillés grillées
mondées râpée râpés bonne qualité pour rouler enrober saupoudrer décorer décoration enrobage finition moule bien très
zum zur fürs für wälzen bestäuben bestreuen verzieren dekorieren garnieren ausrollen einfetten weiche weicher weichen
weiches kalte kalter kaltes kalten warme warmer warmes warmen heiße heißer heißes zimmerwarme zimmerwarm gehackte
gehackter gehackten gehacktes geröstete geröstet gerösteten geriebene gerieben geraspelt feingehackt grobgehackt
geschmolzene gute guter guten gutes etwas ca circa evtl nach belieben bedarf gestrichene gestrichener gehäufte
gehäufter gestr geh blatt tropfen flasche packung tasse tassen guter qualität ungesalzene ungesalzen frische frischer
fino fine finemente tostato tostate tostati tostata tritate tritati tritata tostado tostados tostada tritato sciolto
ammorbidito morbida fusa fuse freddo fredda calda caldo circa quanto basta spolverare decorare rotolare ricoprire
copertura guarnire temperatura qualità buona buono polvere noce foglio fogli gocce goccia tazza tazze bicchiere
confezione montare
para polvilhar untar enrolar decorar passar gosto quanto baste bem cheia cheias rasa rasas torrada torradas torrado
torrados picadas picados picado picados triturada trituradas moído moída caixinha caixa folhas folha gotas pitada
espolvorear rebozar adornar gusto fundido fundida troceado troceada tostados ablandada pomada templada fría frío caliente
colmada colmadas rasas soperas sopera hojas hoja pizca unidad unidades calidad buena cantidad necesaria
"""
HARMLESS: Final = frozenset(_HARMLESS.split())
"""Words beside a name that do not say what it is."""
