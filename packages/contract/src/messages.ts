import { numberText } from '@druckerei/core';
import type { Issue, IssueCode } from '@druckerei/core';

/** Words for every issue code; `{name}` stands for a parameter. A test holds these, core's codes and docs/issues.md together. */
export const MESSAGES: Readonly<Record<IssueCode, string>> = {
  'flow.cycle':
    'The route runs in a circle at step {step}: {steps}. Let one of them take its material from an earlier step.',
  'flow.duplicate-step': 'Two steps are called {step}. Give one of them another id.',
  'flow.missing-input': 'Step {step} takes {material}, which no step makes and nobody buys. Choose an earlier step.',
  'flow.no-end': 'The route ends in several places ({ends}). Join them, or take out what is not delivered.',
  'flow.unused-step': 'Nobody uses what step {step} makes. Join it to the route or take it out.',
  'flow.yield-not-positive': 'Step {step}: the yield must be above 0, not {value}.',
  'flow.usage-not-positive': 'Step {step}: the usage of {material} must be above 0, not {value}.',
  'flow.spoilage-too-high': 'Step {step}: running spoilage and incidents together are a share below 100 %.',
  'flow.negative': 'Step {step}: the value cannot be negative ({value}).',
  'flow.not-a-number': 'Step {step}: a number is wanted here.',
  'flow.split-not-declared': '{material} is made by several steps. Say at step {step} which share of it each makes.',
  'flow.split-not-whole': 'The shares of {material} do not add up to 100 %.',
  'flow.too-large': 'The count at {step} would be {value}, more than {limit}. Look at quantity and spoilage.',
  'flow.spoils-not-before':
    'Step {step} is not fed by {from}, whose spoils it is to be set up with. Choose a step before it.',
  'flow.no-demand': 'The order quantity must be at least 1.',
  'job.duplicate-component': 'Two components are called {component}. Give one of them another id.',
  'job.unknown-component': 'Step {step} belongs to {component}, which is no component of this job.',
  'job.component-idle':
    '{component}: no station takes its paper up. Give it a station that does, or take the part out of the job.',
  'job.unknown-run': '{component} is a second run of {run}, which is no component of this job.',
  'job.unknown-machine': '{step}: the works has no machine {machine}. Choose another.',
  'job.machine-cannot': '{step}: {machine} cannot do this ({operation}). Choose another machine.',
  'job.unknown-stock': '{component}: the works has no stock {stock}. Choose another.',
  'job.unknown-norm': 'The works has no norm {norm}.',
  'job.norm-out-of-range': '{norm} goes {limits}, not {value}.',
  'job.no-press-step': '{component} is never printed. Add a print step or take the component out.',
  'job.pages-not-multiple-of-four': '{component}: {value} pages are no multiple of 4.',
  'job.size-missing': '{component} has no {field}. Give its trimmed size.',
  'job.page-sum': 'The sections hold {sum} pages, the job has {pages}.',
  'layout.does-not-fit':
    '{component}: {width} x {height} mm does not fit the usable {usableWidth} x {usableHeight} mm. Choose a larger sheet or turn the grain.',
  'plan.failed':
    'This job cannot be reckoned; that is a fault of ours ({why}). What it says can be looked at and mended plainly.',
  'sure.too-many':
    '{draws} runs over {stations} stations and incidents are more than can be drawn in a moment; up to {most} are. Draw fewer runs.',
  'layout.too-many':
    '{component}: some {count} pieces would lie on one sheet; up to {most} are laid. Give the piece its real size, or a smaller sheet.',
  'layout.section-not-whole':
    '{component}: {pages} pages do not fold from one sheet. Use 4, 8, 12, 16, 24, 32, 48, 64 or 128.',
  'layout.several-up-not-cut':
    '{component}: {count} lie on the sheet, but no cut stands before the fold, so only one is made of it. Add a cut, or take this layout from the ways to run.',
  'layout.turn-needs-even-rows':
    '{component}: work-and-turn wants at least two pieces side by side. Choose another work style or a wider sheet.',
  'layout.tumble-needs-even-rows':
    '{component}: work-and-tumble wants at least two pieces one above the other. Choose another work style or a higher sheet.',
  'layout.style-needs-equal-rows':
    '{component}: work-and-turn and work-and-tumble want equal pieces in rows that mirror. Print it sheetwise, perfecting or on one side.',
  'press.sheet-too-large':
    '{component}: a sheet of {width} x {height} mm is too large for {machine} (at most {maxWidth} x {maxHeight} mm).',
  'press.sheet-too-small':
    '{component}: a sheet of {width} x {height} mm is too small for {machine} (at least {minWidth} x {minHeight} mm).',
  'press.caliper-out-of-range': '{component}: {value} µm lies outside what {machine} takes ({min} to {max} µm).',
  'press.too-few-units': '{component}: {colours} colours in one pass, but {machine} has {units} units.',
  'press.cannot-perfect': '{component}: {machine} prints one side a pass. Choose another work style.',
  'press.carrier-life':
    '{component}: its carriers wear out before what changing them spoils has run. Look at their life, and at what a change spoils, under Norms.',
  'press.back-without-work-style': '{component}: {colours} colours on the back, but the work style prints one side.',
  'press.passes-do-not-match':
    '{component}: {style} wants the print passes {wanted}. Choose the work style again to set them.',
  'fold.line-outside':
    '{scheme}: fold {fold} ({direction}) has no line to fold on, or would wrap the smaller part around. Choose another scheme.',
  'fold.not-one-packet':
    '{scheme}: {columns} x {rows} pages still lie beside each other after the last fold. Add a fold or choose another scheme.',
  'fold.no-spine': '{scheme}: the last station has to be a fold, so that the section has a spine.',
  'fold.unreadable':
    '{component}: “{wrong}” is no fold. List one to twelve like: right over left at 3; top under bottom; slit right over left.',
  'fold.grid-not-for-pages':
    '{component}: {columns} x {rows} pages on each side are {gives} pages, the section has {pages}. Change columns, rows or pages.',
  'fold.scheme-not-for-pages':
    '{component}: the scheme {scheme} does not fold to {pages} pages. Choose one of: {offered}.',
  'paper.bought-too-small':
    '{component}: no press sheet of {width} x {height} mm comes out of {boughtWidth} x {boughtHeight} mm with this grain. Buy a larger sheet or turn the grain.',
  'paper.web-not-for-stock':
    '{component}: {stock} does not come that way. Corrugated board is slit at the corrugator, paper is cut from rolls.',
  'paper.roll-too-narrow': '{component}: a roll of {rollWidth} mm has no room across for a sheet of {across} mm.',
  'die.measure': 'The {field} has to be above 0 and at most {most} mm, not {value}.',
  'die.width-over-length':
    'The length ({length} mm) is the longer side of the opening; a width of {width} mm is more. Change both over.',
  'die.tuck-over-depth':
    'The tuck of {tuck} mm goes deeper than the carton ({depth} mm). Make it at least {least} mm deep, or take a tray or a sleeve.',
  'bind.too-thick-to-stitch':
    '{pages} pages on {gsm} g are {value} mm thick; stitching goes to {limit} mm. Take at most {most} pages or a thinner paper, or make a perfect-bound book of it.',
  'bind.pages-not-fours':
    '{pages} pages are no multiple of 4: folded leaves come in fours. Take {below} or {above} pages, or leave pages blank.',
  'number.digits': 'The numbers run to {last}; {digits} digits end at {most}. Give them more digits, or begin lower.',
  'number.below-nil': 'Counting from {first} by {step}, {count} numbers run down to {last}: begin higher, or count up.',
  'bind.spine-too-thin':
    '{pages} pages make a spine of {value} mm; glue wants {limit} mm. Take at least {least} pages or a bulkier paper, or stitch it.',
  'fold.panel-count': 'This fold has {wanted} panels, {told} are told. Give them all, the outer one first, or none.',
  'fold.panel-sum': 'The panels add to {sum} mm, the piece is {length} mm along the fold. Change them until they meet.',
  'fold.against-panel':
    'Panel {panel} folds in against the one before and is too long for it: at most {most} mm. Shorten it, and give what is cut off to the outer panel.',
  'fold.panel-too-short':
    'This fold makes a panel that no folder takes. The piece has to be {needs} mm along the fold at least, or fold it fewer times.',
  'die.flap-too-wide': 'A flap of {flap} mm is out of reach; it goes from 0 to {most} mm.',
  'die.no-outline': "No closed outline of cut lines was found. Draw the blank's edge as cut lines that meet.",
  'die.no-part': 'The structure has {parts} parts; there is no part {part}.',
  'die.open-outline': 'The outline is open by {gap} mm at {x}, {y}. Close it, or allow a larger gap when reading.',
  'die.self-crossing': 'The outline crosses itself near {x}, {y}.',
  'die.unknown-units': 'The drawing does not say its units ({units}). Say which when reading it.',
  'die.too-large': 'The drawing is {value} x {other} mm; at most {most} mm can be laid. Look at its units.',
  'die.too-many': "The file holds {value} {what}; at most {most} can be read. Take the drawing's other layers out.",
  'die.unreadable': 'This is no {format} drawing that can be read: {why}',
  'die.gap-closed': '{count} gaps of up to {gap} mm between lines were closed.',
  'die.duplicate-lines': '{count} lines lie on others and were left out.',
  'die.unmapped-layer': 'The layer {layer} ({count} lines) is not used. Say what its lines do.',
  'gang.no-items': 'A gang sheet wants at least one item.',
  'gang.item-too-large': '{item}: {width} x {height} mm does not fit a form of {usableWidth} x {usableHeight} mm.',
  'gang.quantity': '{item}: the quantity is a whole number of at least 1, not {value}.',
  'gang.forms': 'At least one form is wanted, not {value}.',
  'gang.too-few-forms': '{items} items do not fit on {forms} forms. Allow another form or take an item out.',
  'gang.unknown-item': '{component} carries {item}, which is no item of this job.',
  'gang.not-carried': '{item} lies on no form. Put it on one or take the item out.',
  'gang.form-too-full':
    '{component}: its items do not all fit the usable {usableWidth} x {usableHeight} mm in strips. Take some off or choose a larger sheet.',
  'gang.sum': 'The items add up to {sum}, the order says {value}. Set the order to {sum}.',
  'gang.ends': '{item} has to end in one place of the route and by itself, not in: {ends}.',
  'gang.split': '{item} lies on {forms} forms whose shares do not add up to 100 %.',
  'gang.section-apart':
    '{component} shares the form {form}, so it has to be a section that lies there, on the same paper and press.',
  'web.page-too-large':
    'A page of {across} x {around} mm does not fit the web: {width} mm across, cut-off {cutOff} mm.',
  'web.copy-too-thick':
    'A copy of {pages} pages is more than the folder brings together ({most}). Collect, or print it in parts.',
  'web.pages-left-over':
    'Copies of {pages} pages do not go into the {brought} pages that come together. Choose another page count or folder setting.',
  'web.cut-off': '{component}: {machine} cuts off at {cutOff} mm, not {value} mm.',
  'web.no-cylinder': '{component}: {machine} has no cylinder with a repeat of {value} mm; the nearest is {nearest} mm.',
  'web.grain': '{component}: on {machine} the grain runs along the web. Set it along the height.',
  'web.style': '{component}: {machine} prints one side, or both at once. Choose another work style.',
  'web.repeat-unused':
    '{component}: {value} % of the {repeat} mm around the cylinder stay unprinted. A repeat of {better} mm would do.',
  'web.rolls':
    '{component}: the rolls are too short for what threading and splices take. Look at their diameters, wraps and core waste under Norms.',
  'register.too-few-marks':
    'Register is measured at two marks or more, with a reading at each; there are {marks} marks and {readings} readings.',
  'register.offset-too-large':
    'Mark {mark}: {value} mm is no misregister but a slip; at most {most} mm. Look at the unit.',
  'register.marks-on-a-line':
    'The {marks} marks stand on one slanting line, which cannot tell turn from stretch. Measure one beside it, or two on a line across.',
  'ink.recipe-empty': 'A mixed colour wants at least one base ink.',
  'ink.recipe-part': '{ink}: a part is above 0, not {value}.',
  'ink.recipe-sum': 'The parts add up to {sum}, not 100. Change one of them.',
  'ink.quantity': 'The quantity to mix is 0 kg or more, not {value}.',
  'press.zones':
    '{component}: its ink zones were reckoned for {value} zones, {machine} has {count}. Reckon them again from the artwork.',
  'ink.not-cleared': "{ink} is not cleared for {contact}. Take a cleared ink, or enter the maker's clearance.",
  'ink.stock-not-cleared':
    "{stock} is not cleared for {contact}. Choose a cleared stock, or enter the maker's clearance.",
  'ink.overprint':
    '{ink} could be had by overprinting {inks} (difference {difference}): that saves a carrier and a unit.',
  'ink.order':
    '{component}, {side}: {ink} is printed before {before}, which should come first. Move it, or let the rules order the inks.',
  'register.bleed':
    '{component}: a {what} of {value} mm is less than the register that it has to cover ({needed} mm). Widen it.',
  'register.mark-on-image':
    '{component}: register mark {mark} at {x}, {y} mm has no place clear of image and colour bar. Move it, or make room.',
  'register.mark-in-grips':
    '{component}: register mark {mark} at {x}, {y} mm lies in the grips. Move it towards the middle.',
  'register.mark-outside': '{component}: register mark {mark} at {x}, {y} mm is not on the sheet. Move it inwards.',
  'room.unknown': 'This job has no {what} {id}.',
  'room.artwork': 'The artwork of {component} is not approved. Approve it first.',
  'room.order': '{carrier} is {now}; from there it cannot become {wanted}.',
  'room.test-plate':
    'This works looks at a test plate of the imager first: make and inspect it before the other plates.',
  'room.not-inspected': '{count} carriers of {step} are not inspected, among them {carrier}. Inspect them first.',
  'room.trial':
    'The trial of {ink} is not accepted. Draw it down, measure it and have it accepted before {step} starts.',
  'room.trial-off':
    'The trial of {ink} differs by {difference}, more than {tolerance}. Refuse it, or write who accepts it and why.',
  'room.not-started': '{step} has not been started at the press.',
  'room.first-sheet':
    'No good sheet of {step} has been passed. Have the first one passed and kept before the count begins.',
  'room.short':
    'The count is {count} ({expected} of {wanted} expected): {carrier} may be needed for the missing copies. Hold it, or say why it can go.',
  'room.take-back': 'Only the last entry can be taken back. Reload to see what was entered since.',
  'room.ink-balance': '{value} kg of {ink} cannot come back: only {out} kg are out.',
  'book.aside': '{job} was put aside. Take it back before anything is entered of it.',
  'book.closed': '{step} is closed. Open it again, with the reason, before anything more is entered there.',
  'book.sequence': '{step} is {now}; {entry} does not follow that.',
  'book.above-in':
    '{value} at {step} is more than is left of what came in: at most {most}. Count again, or take in what is missing first.',
  'book.above-plan':
    '{value} at {step} is more than the plan puts through it: at most {most} more. Count again, or take in what really came first.',
  'book.material': 'No {material} comes to {step}: say which of {known} it is.',
  'book.pile-twice': 'Pile {pile} has been entered at {step} already. Look at the tag.',
  'book.balance':
    '{step} does not balance: {difference} pieces are not told (more came out than in where below 0). Count again, or name the reason of the difference first.',
  'book.future': 'This would have happened {minutes} minutes from now. Set the clock of this device.',
  'book.strike':
    'Entry {record} cannot be struck through: it does not count any more, or is no count. Take back the last entry instead.',
  'book.not-held': 'Entry {record} is not held for explaining (any more). Reload to see what was decided.',
  'quality.lot': 'A lot of {lot} cannot be sampled. Give a whole number of pieces, 2 or more.',
  'quality.aql': '{aql} is none of the acceptance quality limits. Take one of {known} per cent.',
  'quality.sample': 'The plan takes a sample of {n}, not of {sample}. Look at {n} pieces.',
  'quality.faulty': '{faulty} faulty ones cannot be in a sample of {sample}. Count again.',
  'quality.stopped':
    'Five lots were refused on tightened inspection: nothing is accepted until the cause is mended. Mend it, and say so with the next lot.',
  'quality.nothing-to-sort': 'No refused lot waits to be sorted here.',
  'quality.unsorted':
    '{lots} refused lots of {step} are not sorted. Sort them piece by piece, and enter what was taken out, before it is closed.',
  'account.not-accountable':
    'This job is not accountable work. Set it so in the job, with the face value of a piece, before anything is issued by count.',
  'account.above-out': '{count} are more than {person} still has: at most {most}. Look at what was issued.',
  'account.bag-twice': 'Bag {bag} is in the book already. Look at the bag.',
  'account.seal-twice': 'Seal {seal} is on another bag. Look at the seal.',
  'account.above-spoiled':
    '{count} in a bag are more than {step} has spoiled and not bagged: at most {most}. Count again, or enter the spoils first.',
  'account.no-bag': 'Bag {bag} is not in the book, or named twice. Look at the list of bags.',
  'account.gone': 'Bag {bag} was destroyed already.',
  'account.same-person': '{by} has done this already: somebody else has to.',
  'account.not-agreed':
    'Two people have not counted bag {bag} and come to the same. Have it counted again before it is destroyed.',
  'account.no-destruction': 'Entry {record} is no destruction.',
  'account.number-used': 'Number {number} is voided or used already, or named twice.',
  'account.not-voided': 'Number {number} is not voided, or was made again already.',
  'account.remake': 'By the rule of this order {wanted} new numbers are wanted, {given} are given.',
  'account.not-counted': 'What came to {step} was not counted in. Accountable work is not closed without.',
  'account.difference':
    '{pieces} pieces of {step} cannot be explained away: accountable work is found, or it stays open.',
  'account.unbagged':
    '{units} spoiled at {step} lie in no bag (more in bags than spoiled where below 0). Bag, seal and enter them first.',
  'account.not-remade': '{numbers} voided numbers are not made again.',
  'account.issue':
    '{out} of {of} are out for {step}, {used} were used there: issued = good + spoiled + samples + returned. Enter what was issued for it, or comes back.',
  'account.pile':
    'A pile of accountable work holds exactly {pile}, not {count}; the last one what is left of the good ones ({left}).',
  'account.pile-above-good': '{count} in a pile are more than the {left} good ones that lie in no pile yet.',
  'account.piles': '{piled} of {good} good ones of {step} lie in piles. Hand the others on first.',
  'account.not-inspected':
    'Of {good} good ones of {step}, {seen} lie in lots that were looked at. Enter the sample of every lot first.',
  'account.not-all-inspected':
    'Of {good} good ones of {step}, {seen} were looked at, piece by piece. Look at all of them, and enter it as lots, first.',
  'colour.unit': '{ink}: {field} goes from {low} to {high}, not {value}. Look at the unit.',
  'artwork.unreadable': 'This file cannot be read: {why}. Write it anew from the program that it came from.',
  'artwork.not-cmyk':
    'The TIFF holds {channels} channels that are no CMYK separations. Convert it to CMYK, 8 bits a channel.',
  'artwork.bits': 'The TIFF has {bits} bits a channel; 8 are wanted. Write it with 8 bits.',
  'artwork.compression':
    'The TIFF is compressed in a way (number {compression}) that is not read. Write it uncompressed or with LZW, Deflate or PackBits.',
  'artwork.block':
    'A strip of the TIFF holds {megabytes} MB in one piece; at most {most} MB can be unpacked. Write it uncompressed, or in tiles or smaller strips.',
  'artwork.too-large': 'The picture has {width} x {height} pixels; at most {most} each way can be read.',
  'artwork.truncated': 'The file ends before its picture does. Copy it again or write it anew.',
  'artwork.encrypted': 'The PDF is protected by a password. Take the protection off and choose it again.',
  'artwork.kind': '{name} is no TIFF, PNG, JPEG or PDF. Choose one of these.',
  'artwork.unpacks':
    'Something in this file unpacks to more than {megabytes} MB, as no page does. Write it anew from the program that it came from.',
  'artwork.too-much': 'A page of this file has more than {most} drawing operations. Have it written as a picture.',
  'artwork.too-long': 'The file has more than {megabytes} MB. Have it written in parts.',
  'artwork.too-many-pages': 'The file has {pages} pages; at most {most} can be read. Have it written in parts.',
  'artwork.no-pages': 'The file has no page. Write it anew from the program that it came from.',
  'artwork.no-size': 'Page {page} has no area: its trim lies outside of its sheet. Set its boxes and write it anew.',
  'artwork.pdf-wanted': '{name} is no PDF. Choose one, or have the artwork written as one.',
  'artwork.cut-off':
    'The file ends before it is whole. Copy it again, or write it anew from the program that it came from.',
  'zones.empty': 'The picture has no pixels that can be read.',
  'zones.no-zones': '{machine} has no ink zones.',
  'count.unknown-step': 'The route has no step {step}.',
  'count.twice': '{step} is counted twice. Leave one of the counts.',
  'count.number': 'Good pieces of {step} are a whole number of 0 or more, not {value}.',
  'count.too-many':
    '{step} cannot have {value} good: at most {most} come of what is planned to go in. Look at the count.',
  'sure.p': 'Sureness is a share above 0 and below 1, like 0.95, not {value}.',
  'order.above-limit': 'The plan makes {value}, but the order takes at most {limit}.',
  'order.deliveries': 'The deliveries come to {sum}, the order is {value}. Make them the same.',
  'works.field-missing': '{field} is missing. Fill it in.',
  'works.field-range': '{field} goes from {least} to {most} {unit}. Correct the figure.',
  'works.field-choice': '{field} is one of these: {choices}.',
  'works.most-below-least': 'The smallest {what} ({least}) is more than the largest ({most}). Change one of them.',
  'works.margins-too-wide':
    '{what} take {margins} mm, and the smallest sheet has {sheet} mm: nothing is left to print on. Make the margins narrower, or the smallest sheet larger.',
  'works.repeat-one-way':
    'A web press has a fixed cut-off, or cylinders in the store, or cylinders made for each job: tell one of the three.',
  'works.cut-off-outside':
    'The cut-off of {cutOff} mm lies outside the lengths that the press prints ({least} to {most} mm).',
  'works.plate-too-small':
    'The {side} of the plate is {plate} mm, that of the largest sheet {sheet} mm: an offset plate covers the sheet.',
  'works.zones-too-narrow':
    'All zones together are {zones} mm wide, the largest sheet {sheet} mm. Tell more zones, or wider ones.',
  'works.press-without-units': 'A press has one printing unit or more.',
  'works.units-on-a-cutter':
    'A guillotine prints nothing: it has no units, not {units}. Enter it as a press if it does.',
  'works.perfects-with-one-unit': 'A press that prints both sides in one pass has two units or more, not {units}.',
  'works.plates-and-plateless': 'A press without plates has no plates. Take one of the two out.',
  'works.group-missing': '{group}: not told, and a machine of this kind ({process}) has to.',
  'works.field-not-here': '{field}: a machine of this kind ({process}) has none. Take it out.',
  'works.group-not-here': '{group}: a machine of this kind ({process}) has none. Take it out, or change the kind.',
  'works.sheet-size': 'The sheet {sheet} has a side outside {least} to {most} mm.',
  'works.sheet-twice': 'The sheet {sheet} is told twice. Take one out.',
  'works.stock-without-size': '{stock} comes in no sheet and on no roll. Tell a sheet size or a roll width.',
  'works.caliper-odd': 'Weight times bulk comes to {caliper} µm, outside {least} to {most} µm. Look at both.',
  'list.not-a-number': '{column}: “{cell}” is no figure above 0. Correct it, or choose the other decimal sign.',
  'list.word-unknown': '{column}: “{cell}” is not understood. Write yes or no, long or short.',
  'list.other-currency': '{column}: “{cell}” is {told}, the works reckons in {currency}. Convert the list first.',
  'list.cell-missing': '{column} is empty. Fill it in, or choose another column.',
  'list.no-size': '{column}: “{cell}” is no sheet size and no roll width. Write it like 720 x 1020 mm.',
  'list.price-of-no-sheet': '{column}: “{cell}” is for sheets, but the line tells no sheet size.',
  'start.no-press': 'This works has no {press}. Enter it under Machines, or ask for another product.',
  'start.no-machine':
    'No machine of this works does this: {operation}. Enter one under Machines, or ask for another product.',
  'start.no-stock': 'This works has no {stock}. Enter it under Papers, or ask for another product.',
  'list.no-product':
    'Which product it is cannot be read out of “{text}”. Name one, like booklet, leaflet, poster, carton, label or book.',
  'list.quantity': 'The quantity “{text}” is no whole number from 1. Write it like 5000 or 5,000.',
  'list.date': 'There is no day “{text}”. Write it like 2027-03-31, or say whether days or months come first.',
  'list.no-number': 'This line has no job number. Enter one.',
  'list.long': '{column} takes {most} letters at most. Shorten it.',
  'list.unknown-item': '{column}: “{cell}” is nothing that the works buys. Write it as the works calls it.',
  'list.size-unknown':
    '{column}: “{cell}” does not tell which it is. Write a sheet like 720 x 1020, a roll like 870, the grain as the side along which it runs.',
  'list.not-whole': '{column}: “{cell}” is no whole number; sheets and rolls are counted whole.',
  'list.per-unknown': '{column}: “{cell}” is not understood. Write it like 100 kg, 1000 sheets or each.',
  'list.ends-before': 'It holds until {last}, before it begins on {first}. Correct one of the days.',
  'list.moment':
    'There is no moment “{text}”. Write day and time like 2027-03-31 14:05, or say which column has the time of day.',
  'list.recipe': '{column}: “{cell}” is no ink with its parts. Write it like Yellow 60; Warm red 40.',
  'list.one-of': '{column}: “{cell}” is not understood. Write one of these: {choices}.',
  'list.ink-alone': '{column} is told of inks alone, and this is: {what}. Leave the cell empty.',
  'list.nothing-counted': 'This line counts nothing, good or spoiled. Enter a count, or leave it out.',
  'start.rule': '{rule}: {reason} No machine of this works does it otherwise, so change what is asked for.',
  'ways.no-part': 'This job has no {component} to run in other ways. Choose one of its parts.',
  'best.lock':
    '{component}: the lock on its {lock} ({value}) excludes {excluded} of {ways} ways; without it {left} would be left. Open a lock and plan again.',
  'floor.shift-days': 'A shift has to be on a day of the week, 1 (Monday) to 7. Choose one.',
  'floor.clock': '“{value}” is no time of day. Write it like 06:00.',
  'floor.wall': '“{value}” is no day and time. Write it like 2026-12-24T06:00.',
  'floor.ends-first': 'It ends ({until}) before it begins ({from}). Change one of the two.',
  'floor.no-machine': 'There is no machine {machine}. Choose one of the works.',
  'floor.never-open': 'Neither presses nor finishing machines have a shift: nothing would ever run. Tell one.',
  'floor.no-crew': 'There is no crew {crew}. Choose one of the crews above.',
  'floor.crew-places': 'The crew {crew} has {has} places, not {places}. Tell fewer.',
  'floor.crew-name': 'Each crew wants a name of its own; “{crew}” is none. Write another.',
  'floor.crew-size': 'The crew {crew} runs 1 to {most} stations at once, a whole number. Change it.',
  'floor.machine-or-crew': 'This names {machine} and the crew {crew}. Enter one line for each.',
  'ways.web-apart': 'Sheets and webs are not compared: {machine} prints a web. Plan the web as a job of its own.',
  'sum.missing': '{field} is missing. Type it.',
  'sum.choice': '{field} cannot be {value}. Choose one of {known}.',
  'sum.range': '{field} goes from {low} to {high} {unit}, not {value}.',
  'sum.whole': '{field} is a whole number from {low} to {high}, not {value}.',
  'sum.long': '{field} has more than {most} characters. Make it shorter.',
  'sum.roll': 'A roll of {outer} mm has no paper on a core of {core} mm. Make the diameter larger than the core.',
  'sum.none-fits': '{piece} does not fit on {area}. Make one of them another size, or the margins smaller.',
  'sum.parts':
    'Write parts like Yellow 60, Red 30: a name and a figure each, {most} of them at most and one above 0; “{part}” cannot be read.',
  'sum.jobs':
    'Write jobs like Map 90 40, Card 30 60: a name and two figures each, {most} of them at most; “{job}” cannot be read.',
  'sum.route':
    'A station is told as its name, what setting up spoils and what running spoils: print 200 1.5 %. "{station}" is not; part stations by a comma and a blank.',
  'sum.never-even': 'They never cost the same: the {cheaper} is cheaper for every quantity.',
  'sum.panels':
    'The length cannot be folded so: a panel would be too short for a folder. At least {needs} mm would do.',
  'sum.digits': '{value} is not 1 to {most} digits.',
  'sum.too-few-digits': 'The last number is {last}: {digits} digits do not hold it.',
  'practice.kind': 'There is no exercise {kind}. Choose one of the list.',
  'practice.none': 'Nothing that can be reckoned was drawn from seed {seed}. Take another.',
};

const show = (value: string | number | undefined): string =>
  typeof value === 'number' ? numberText(value) : (value ?? '');

/** An issue in words. */
export const issueText = ({ code, params }: Issue): string =>
  MESSAGES[code].replace(/\{(\w+)\}/g, (_, name: string) => show(params[name]));
