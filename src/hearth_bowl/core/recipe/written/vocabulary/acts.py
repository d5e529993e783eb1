"""Words of acts: by which verb a card tells what to do, in English and five other kitchens, and its times.

Common practice, a judgement.
"""

from collections.abc import Mapping
from types import MappingProxyType
from typing import Final

LEAD: Final = (
    r"^(?:[\W\d]*)(?:[^:.\d]{2,40}:\s+)?(?:(?:and|then|now|next|finally|meanwhile|first|carefully|gently|gradually|slowly|quickly|immediately"
    r"|once more|again|at once|lastly|after that|afterwards|when cool|when cold|when set|when firm|once set|once cold"
    r"|once cool|once firm|to finish|off the heat|und|dann|danach|anschließend|zuletzt|nun|et|puis|ensuite|enfin|e|poi"
    r"|quindi|infine|y|luego|después|por último|depois|em seguida|por fim)\b[,:]?\s+)*"
)
"""Words before the verb that tell no act."""
JOINERS: Final = (
    "and then|and|then|before|und dann|und|dann|danach|et|puis|ensuite|e poi|poi|quindi|e|y luego|y|luego|depois"
)
PASSIVE_ACTS: Final = (
    ("set", r"(?:let|leave|allow)\b.*\b(?:set|firm|harden|crystallise|crystallize)\b"),
    ("cool", r"(?:let|leave|allow)\b.*\b(?:cool|cold|lukewarm)\b"),
    ("dwell", r"(?:let|leave|allow)\b.*\b(?:ripen|mature|liquefy)\b"),
    ("rest", r"(?:let|leave|allow)\b.*\b(?:rest|stand|sit|dry|infuse|steep|thaw|overnight)\b|(?:let|leave|allow)\b"),
)
"""What is left to itself."""
FROM_ENGLISH: Final = (
    (
        "boil",
        r"(?:bring|take|return)\b.{0,60}\b(?:boil|boiling|rolling boil)\b|boil\b|simmer\b|caramelise\b|caramelize\b",
    ),
    ("heat", r"(?:bring|take)\b.{0,60}\b(?:simmer|steam|temperature|°)|(?:heat|warm|scald|dissolve|reheat|rewarm)\b"),
    ("cook", r"(?:cook|thicken|pasteurise)\b"),
    (
        "unmould",
        r"(?:unmould|unmold|demould|turn out|turn it out|pop out|knock out|release|remove (?:them |it |the .{0,30})?from the (?:mould|mold|tin|pan))\b",
    ),
    (
        "shell",
        r"(?:line|coat|brush|paint|fill) (?:the |a |each |each of the |your )?(?:half[- ]ball |egg |dome )?(?:mou?lds?|cavities|hollows)\b.{0,40}\b(?:chocolate|couverture|compound)|(?:make|cast|mould|mold) the shells?\b|tip out the (?:excess|surplus)|drain\b",
    ),
    (
        "fill",
        r"(?:pipe|spoon|put|pour|divide|fill)\b.{0,60}\b(?:shells?|moulds?|molds?|cavit\w+|cases|cups|eggs|halves|hollows|spheres|domes|fillings?)\b|fill\b",
    ),
    (
        "cap",
        r"(?:cap|seal|close|stick|join|press) (?:.{0,30}\b)?(?:halves|together|shells?|eggs|spheres|moulds?|them|with)\b|(?:cap|seal|close)\b",
    ),
    ("roll", r"(?:roll|toss|shake)\b"),
    ("coat", r"(?:coat|enrobe|cover)\b.{0,60}\b(?:chocolate|couverture|cocoa|compound|glaze|icing|coconut|nuts)\b"),
    ("dip", r"(?:dip|dunk)\b"),
    (
        "decorate",
        r"(?:decorate|sprinkle|scatter|dust|drizzle|top|finish|garnish|press (?:a|an|one|half)|place (?:a|an|one)|set (?:a|an|one)|put (?:a|an|one))\b",
    ),
    ("portion", r"(?:scoop|portion|divide|shape|form|make .{0,30}balls|take .{0,20}spoonful)\b|pipe\b|pinch off\b"),
    ("cut", r"(?:cut|slice|score|mark)\b"),
    (
        "pour",
        r"(?:pour|tip|spread|press|scrape|transfer|turn|ladle|smooth|spoon|pack)\b.{0,80}\b(?:tins?|pan|dish|tray|frame|parchment|paper|marble|slab|mat|loaf|layer)\b",
    ),
    ("temper", r"temper\b"),
    ("melt", r"(?:melt|microwave)\b"),
    ("roast", r"(?:roast|toast)\b"),
    ("grind", r"(?:grind|blitz|process|pulse)\b"),
    ("bloom", r"(?:bloom|soak|sprinkle) (?:the )?gelatine?\b|bloom\b"),
    ("weigh", r"(?:weigh|measure)\b"),
    ("knead", r"knead\b"),
    ("whip", r"whip\b|whisk\b.{0,60}\b(?:peaks?|foam|frothy|stiff|thick|pale)\b"),
    ("beat", r"(?:beat|cream)\b"),
    ("cool", r"cool\b"),
    (
        "rest",
        r"(?:rest|stand|steep|infuse)\b|(?:chill|refrigerate|cover)\b.{0,60}\b(?:mix|mixture|ganache|mass|dough|paste|bowl)\b",
    ),
    ("set", r"(?:set|chill|refrigerate|freeze|return .{0,30}fridge)\b"),
    ("dwell", r"(?:ripen|mature|age)\b"),
    ("wrap", r"(?:wrap|store|keep|pack)\b"),
    (
        "join",
        r"(?:stir|mix|add|combine|fold|emulsify|whisk|pour|blend|incorporate|rub|work|tip|sift|sieve|put|place|crush|mash|squeeze|return|continue|keep stirring)\b",
    ),
)
"""English verbs, the first that begins what is told."""
FOREIGN_ACTS: Final = (
    ("temper", r"\btemperier\w*|\btempér\w+|\btemper(?:are|ate|ar|e|ad[oa])\b"),
    (
        "unmould",
        r"\bausform\w*|aus (?:der|den) form\w* (?:lösen|nehmen)|\bdémoul\w+|\bsform\w+|\bdesmold\w+|\bdesenform\w+",
    ),
    (
        "dip",
        r"\btauch\w*|\beintauch\w*|\btremp(?:er|ez)\b|\bintinge\w*|\bimmerge\w*|\bbañ(?:ar|e|ad)\w*|\bmergulh\w+|\bbanh(?:ar|e)\b",
    ),
    (
        "coat",
        r"\büberzieh\w*|\benrob(?:er|ez)\b|\brico(?:prire|prite|pri)\b|\bglass(?:are|ate)\b|\bcubr(?:ir|a)\b|\bcobr(?:ir|a)\b|\bauskleid\w*",
    ),
    (
        "roll",
        r"\bwälz\w*|\brollen\b|\brol(?:len|le)\b|\broul(?:er|ez)\b|\bpass(?:er|ez) .{0,30}(?:cacao|sucre|coco)|\brotol\w+|\bpass(?:are|ate) .{0,30}(?:cacao|zucchero|cocco)|\benroll?ar\b|\benrol[ea]r?\b|\brebozar?\b|\breboce\b|\bpass(?:ar|e) .{0,30}(?:cacau|açúcar|coco|granulado)|\brodar\b",
    ),
    (
        "decorate",
        r"\bverzier\w*|\bdekorier\w*|\bbestreu\w*|\bbestäub\w*|\bdécor(?:er|ez)\b|\bsaupoudr\w+|\bparsem\w+|\bdecor(?:are|ate|ar|e)\b|\bspolver\w+|\bcospar\w+|\bespolvore\w+|\badorn\w+|\bpolvilh\w+|\benfeit\w+",
    ),
    (
        "fill",
        r"\b(?:ein|ab|be)?füll\w*|\bgarni(?:r|ssez)\b|\brempli(?:r|ssez)\b|\briempi(?:re|te)?\b|\bfarci(?:re|te)\b|\brellen(?:ar|e)\w*|\brechei(?:ar|e)\w*|\bencher\b",
    ),
    (
        "cap",
        r"\bverschließ\w*|\bdeckeln\b|\bferm(?:er|ez)\b|\bobtur\w+|\bchiud\w+|\bsigill\w+|\bcerr(?:ar|e)\b|\bsell(?:ar|e)\b|\bfech(?:ar|e)\b|\bsel(?:ar|e)\b",
    ),
    (
        "cut",
        r"\b(?:zer|ab)?schneid\w*|\bgeschnitten\b|\b(?:dé)?coup(?:er|ez)\b|\bdétaill\w+|\btagli(?:are|ate|a)\b|\bcort(?:ar|e|ad)\b",
    ),
    (
        "portion",
        r"\bform(?:en|er|ez|are|ate|ar|e)\b|\bportionier\w*|\bfaçonn\w+|\bprélev\w+|\bprepar(?:are|ate) .{0,20}palline|\bmodel(?:ar|e)\b|\bboul(?:er|ez)\b|\bbolear\b",
    ),
    (
        "boil",
        r"\b(?:auf|ein)?koch\w*|\bköchel\w*|\bboui\w+|\bébullition\b|\bboll(?:ire|ore|ite|e)\b|\bherv(?:ir|or|a)\b|\bferv(?:er|a|ura)\b|\bkaramellisier\w*|\bcaramélis\w+|\bcaramell?(?:are|ate|izar|ize|izz\w+)\b",
    ),
    (
        "melt",
        r"\bschmelz\w*|\bschmilz\b|\bfond(?:re|ez|ere|ete|a)\b|\bsciogli\w+|\bderret\w+|\bderrit\w+|\bfundi(?:r|d)?\b|\bfund(?:e|a)\b",
    ),
    (
        "heat",
        r"\b(?:er|auf)?(?:hitz|wärm)\w*|\bchauff\w+|\bscald(?:are|ate|a)\b|\brisc?ald\w+|\bcalent(?:ar|e|ad)\b|\baque[cç]\w+|\besquent\w+|\bauflös\w*|\bdiss(?:oudre|olvez)\b|\bdissolv\w+",
    ),
    ("cook", r"\bcui(?:re|sez)\b|\bcuoc\w+|\bcoc(?:er|ed|ine|inar)\w*|\bcozinh\w+"),
    ("roast", r"\b(?:an)?röst\w*|\btorréfi\w+|\btost(?:are|ate|ar|e)\b|\btorr(?:ar|e)\b"),
    (
        "grind",
        r"\bmahl\w*|\bmix(?:er|ez) .{0,20}(?:noisettes|amandes)|\bfrull\w+|\bmacin\w+|\btritur\w+|\bmol(?:er|e)\b|\bmoer\b|\bmoa\b",
    ),
    ("bloom", r"\b(?:ein)?weich\w*|\bquellen\b|\bammoll\w+|\bhidrat\w+|\bremoj\w+"),
    ("knead", r"\b(?:ver|durch)?knet\w*|\bpétri\w+|\bimpast\w+|\bamas(?:ar|e)\b|\bsov(?:ar|e)\b"),
    (
        "whip",
        r"\b(?:steif|schaumig|auf)\s?schlag\w*|\bmont(?:er|ez|are|ate|ar|e)\b|\bfouett(?:er|ez)\b.{0,30}\bmousse|\bbat(?:er|a) .{0,20}(?:neve|chantilly)",
    ),
    ("beat", r"\bschlag\w*|\bbatt(?:re|ez|ere|ete)\b|\bbat(?:ir|e|a|er)\b|\bsbatt\w+"),
    (
        "pour",
        r"\b(?:in|auf) (?:die|eine|den|einen|das|ein)\b.{0,40}\b(?:form|blech|rahmen|kastenform|backform)\b.{0,30}|\bvers(?:er|ez)\b.{0,50}\b(?:moule|cadre|plat|plaque)\b|\bcoul(?:er|ez)\b|\bversa\w*\b.{0,50}\b(?:stampo|teglia|cornice)\b|\bstende\w+|\bvert(?:er|a|e|ir)\b.{0,50}\b(?:molde|bandeja)\b|\bdespej\w+.{0,50}\b(?:forma|fôrma|assadeira|tabuleiro)\b|\bétal\w+",
    ),
    (
        "cool",
        r"\b(?:ab|aus)?kühl\w*|\brefroidi\w*|\btiédir\b|\braffredd\w+|\bintiepid\w+|\benfri\w+|\besfri\w+|\barrefec\w+",
    ),
    (
        "set",
        r"\bkalt stellen\b|\bfest werden\b|\berstarr\w*|\bkühlschrank\b|\bprendre\b|\bdurcir\b|\bfrigo\b|\bréfrigérat\w+|\brassod\w+|\bfrigorifero\b|\bindurire\b|\bnevera\b|\bcuaj\w+|\bendure\w+|\bgeladeira\b|\bfrigorífico\b|\bgel(?:ar|e)\b",
    ),
    ("rest", r"\bruhen\b|\bstehen\b|\bziehen\b|\breposer\b|\briposare\b|\breposar\b|\bdescansar\b|\bdescanse\b"),
    (
        "wrap",
        r"\b(?:ein|ver)pack\w*|\bwickel\w*|\baufbewahr\w*|\bconserv\w+|\bguard(?:ar|e)\b|\bembal\w+|\benvolv\w+|\bembrulh\w+",
    ),
    ("weigh", r"\babwieg\w*|\bpes(?:er|ez|are|ate|ar|e)\b"),
    (
        "join",
        r"\b(?:ver|unter|ein)?rühr\w*|\b(?:ver)?misch\w*|\bmeng\w*|\bunterheb\w*|\bgieß\w*|\bzugeben\b|\bhinzufügen\b|\bgeben\b|\bzufügen\b|\bmélang\w+|\bajout\w+|\bincorpor\w+|\bvers(?:er|ez)\b|\bremu\w+|\bémulsionn\w+|\bmescola\w*|\bmischia\w*|\baggiung\w+|\bunir\w*|\bunite\b|\bversa\w*\b|\bamalgam\w+|\bmezcl\w+|\bañad\w+|\bagreg\w+|\bvert(?:er|a|e|ir)\b|\bremov\w+|\bmistur\w+|\badicion\w+|\bjunt(?:ar|e)\b|\bacrescent\w+|\bdespej\w+|\bmex(?:er|a)\b|\blev(?:ar|e)\b",
    ),
)
"""Verbs of the other kitchens, wherever they stand in what is told; the first row that is found."""
EVERYTHING: Final = (
    r"\beverything\b|\ball (?:the |of the )?ingredients\b|\balles\b|\balle zutaten\b|\btous les ingrédients\b"
    r"|\btutti gli ingredienti\b|\btodos (?:los|os) ingredientes\b|\btudo\b"
)
MINUTES_OF: Final[Mapping[str, float]] = MappingProxyType(
    {
        r"seconds?|secs?|sekunden?|sek\.?|secondes?|secondi|segundos?|s": 1 / 60,
        r"minutes?|mins?\.?|minuten?|minuti|minuto|minutos|min": 1.0,
        r"hours?|hrs?|stunden?|std\.?|heures?|ore|ora|horas?|h": 60.0,
        r"days?|tagen?|tage?|jours?|giorni|giorno|días?|dias?": 1440.0,
        r"weeks?|wochen?|semaines?|settiman[ae]|semanas?": 10080.0,
    }
)
"""Minutes of a unit of time. By definition."""
A_NIGHT: Final = (
    r"\bovernight\b|\bover night\b|\büber nacht\b|\bune nuit\b|\btoute la nuit\b|\b(?:una|tutta la) notte\b"
    r"|\btoda la noche\b|\bde un día para otro\b|\bde um dia para o outro\b|\bdurante a noite\b",
    (480.0, 720.0),
)
"""A night [min]: eight to twelve hours. A judgement."""
