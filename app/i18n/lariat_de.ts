<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE">
<context>
    <name>QObject</name>
    <message>
        <source>Breaks the wire behind the panel from %1 to %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Takes its channels out of %1.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>core</name>
    <message>
        <source>{} cables, {} are in the case</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>From this row on there is no cable left. Stackable plugs and mults do not help: borrow some.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} cm, about {:.0f} cm are needed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} of {} cm {} used, {} are there</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} and {} stand too far apart for this cable.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The bag does not hold that many of this length and colour.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take {} cm {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} channels are missing from {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A plug in {} of {} takes its channels out of the sum, and they reach the way out by no other road.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take the cable out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>parts from the beat by {:.0f} ms a bar</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} runs almost in step with {}, but by itself. Take the pulse from the clock, or reset it every bar.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.1f} V go in, {:.3f} V come out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} is closed: its offset is at nothing and no cable opens it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} is closed: what should open it never rises above {:.1f} V.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} is dark: nothing lights its lamp, so it lets no sound through.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The cutoff of {} is so low that nothing of the sound is left.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:+.2f} V of DC</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.0f} % of the level moves below 15 Hz</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It is not heard, takes headroom away, and heats loudspeakers. A DC blocker takes it out.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Close {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let {} open {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Put the free {} in and let {} open it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the level never falls more than {:.1f} dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It drones: no VCA stands between the sound and the way out, so nothing tells it to stop.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It drones: {} stays open, so nothing tells the sound to stop.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>hits differ by {:.0f} %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} runs on between hits, so each hit starts at another phase. Leave it alive if you like that.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tie the trigger to {} sync</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>stays at {:.0f} Hz while the tune moves {:.0f} cents</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} sings by itself and nothing is in its v/oct, so it plays one note.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Turn {} of {} to {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Put the free {} into cable {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move cable {} to {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tie {} to {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the mean pitch moves {:+.0f} cents</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Exponential FM lifts {} more than it lowers it, so the note goes sharp as the depth grows. Linear FM keeps it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>starts {} times in {:.0f} s by itself</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} loops because nothing is in its gate, so notes are not what opens the voice.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>0 to {:.1f} V within one sample</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The gate opens {} at once, and every edge is heard as a click. An envelope rounds it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:+.1f} dBu at the way out, line level is +4</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} lets the case out almost as hot as it is. A line, phone or instrument input can be overdriven or damaged.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>one sample late, {:.1f} µs</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This cable closes a loop. On metal the signal comes round at once; here it takes one sample, which shifts phases above some 5 kHz.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>at the rails {:.0f} % of the time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This loop gives back more than it takes, so it grows until the rails hold it. It may be loud.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tie {} to {} {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>0.0 V reach the output</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} leads nowhere: no cable brings it to a way out, so its voice is silent.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The patch has no way out. Add a line out from the case and tie the last sound to it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>level at -60 dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} is turned down: nothing leaves the case.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>main level at 0 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} adds up its inputs and lets nothing out.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>0.0 V come out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing is in the gate of {}, so it never starts.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.1f} V go in, 0.0 V come out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>0 clock pulses arrive</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} stands still: nothing is in its clock, so it plays no step.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>0 notes written</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} is clocked, but its pattern is empty.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the noise floor rises by {:.0f} dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The gain of {} lifts what is there between the notes. Some like that; if not, make up less.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} no longer reaches {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The plug of {} breaks the wire behind the panel, and nothing else listens to {}.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} is not in {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} cannot be built here as it is. It is simulated all the same.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let the free {} of {} stand in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:+.1f} V of DC under the sum</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} waves that never go below zero are added up in {}. Turning half of them over keeps the sum around 0 V.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Turn {} of them over with free attenuverters</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.0f} mA on {}, {:.0f} mA are there</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} draws more than its supply gives on this rail. Switch off before anything is unplugged; leave mains work to qualified people.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} HP in row {}, {} fit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The modules of this row of {} do not fit beside each other.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>at its limit {:.0f} % of the time, {:.0f} to {:.0f} Hz asked for</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The cutoff of {} is pushed past the end of its range and stays there.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>an octave arrives as {:.0f} cents</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tune passes {}, whose level stands at {:.0f} %. Pitch has to arrive as it was sent.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>the tune spans {:.0f} st, what is heard {:.1f} st</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} is reset by {}, which carries the tune. Pitch on {} only changes its colour.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move cable {} to {} v/oct</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>peaks at {:.1f} V, {:.1f} V are needed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} of {} never sees this: it stays below the threshold of the input.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>pulses of {:.1f} ms, {:.1f} ms are needed</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} of {} wants longer pulses than these; on metal it misses them.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.0f} cents flat at {:.1f} V</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On metal, {} inputs share one output and each takes about 1 % of its voltage. A buffered mult takes nothing.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Split with {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.0f} dB louder within second {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mind your ears and speakers: start with the monitor down, and find what jumps before it is turned up.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>sums to {:.1f} V, over the rails {:.1f} % of the time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} adds up to more than the ±10 V that it can put out, so the sum is bent.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Turn {} down to {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lengthen the gates to {:.0f} % of a step</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>gate {:.0f} ms, attack + decay {:.0f} ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The gate of {} closes before its decay is over, so sustain is never reached and release starts early.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shorten decay to {}</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>still at {:.0f} % after {:.0f} ms, when the next hit comes</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The tail of {} is longer than the step, so hits run into each other.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>pulses of {:.0f} ms</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} holds as long as its gate is high, and these are triggers: it falls back before it has risen.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>flatness {:.3f}: 0 is a tone, 0.56 white noise</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} and {} shake each other so hard that no pitch is left.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>width {:.0f}…{:.0f} %, silent {:.0f} % of the time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>At 0 or 100 % the pulse of {} stands still and is not heard.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.1f}…{:+.1f} V, shut {:.0f} % of the time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} opens from 0 V on; what goes below zero shuts it. An offset lifts the whole swing.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>0…{:+.1f} V pans to one side only</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} stands in the middle and is pushed only one way. Set its pan to the other side.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{:.1f} V arrive, {} pass</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>{} of {} scales this input and stands at {} ({}), so the cable has no effect.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open {} to {}</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat</name>
    <message>
        <source>Stock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What have I, and what is left?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This place will count what your case can do, and show which modules, cables and milliamps are still free.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plan</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How do I build that here?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This place will turn a recipe and your wishes into cable rows and knob settings for your own case.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Patch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What is tied to what, and what flows?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Time</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What happens when?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This place will show steps and drums above the envelopes and hits that they cause.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bench</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What is it, exactly?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This place will put scope, spectrum, tuner and level ladder on any jack.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How do I build it again?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Log</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What did I do, and what was better?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This place will keep takes of the patch with their sound, readings and notes, and tell any two apart.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>free · takes %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>free</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::BuildingActions</name>
    <message>
        <source>&amp;Add from the case</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Find a part to add…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A&amp;nother of a kind…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Insert into the cable…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Split its output…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plug its &amp;start elsewhere…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plug its en&amp;d elsewhere…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>S&amp;wap the two chosen cables</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take the cable &amp;out</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Row &amp;earlier</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Row &amp;later</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Put the rows &amp;under…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Name, voice and note of the post…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Copy its settings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Past&amp;e settings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Remove the post</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double the &amp;voice…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Colour</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>colour a heading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>None</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Moss</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Slate</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rust</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plum</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sand</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move up</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>move a heading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move down</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let %1 sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Silence %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let all voices sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hear %1 alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a row of the chart first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>  (row %1)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Everything in this case is in use</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This patch names no case</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>add %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Add from the case</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type part of a module&apos;s or part&apos;s name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Another of a kind</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type a function: VCA, filter, contour …</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 – %2 of %3 free</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Every %1 of this case is in use.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Insert into cable %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type a function, part or post</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>insert %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 – %2 free</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 (in use)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Split %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type the input it is to reach as well</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ways to split %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type to choose</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take the free copy at %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Go through %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stack a second plug</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source> – %n cable(s)</source>
        <translation type="unfinished">
            <numerusform></numerusform>
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>, loses nothing</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>, loses %1 % (%2 cents a volt)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>split an output</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plug the start elsewhere</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Plug the end elsewhere</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type part of a jack&apos;s name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>move an end of a cable</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has no output.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Every input of %1 is taken.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose two rows first, the second one with Ctrl; their ends change places.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>swap two cables</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a row or post of the voice first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Double the voice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name of the second %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>double %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Put the rows under</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Voice · step</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>put rows under %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rename the heading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>rename a heading</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a post first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Name</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Voice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Note</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>write down a post</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Copied %1 settings of %2.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The clipboard holds no setting of %1; it takes lines such as “cutoff = 412 Hz”.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>paste settings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 knobs of %2 set.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose the post to remove first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>remove %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::Chart</name>
    <message>
        <source>Cable chart</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>remove cable %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>remove %1 cables</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>move cable %1 to row %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>fold %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>unfold %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>move a post</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This patch is empty. Take a first part from the case (Patch menu, Add from the case), or open a patch with Ctrl+O.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>to another post</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 V</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1…%2 V</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>No cable yet. Drag from one post&apos;s line to another, or press Ctrl+T and write which output goes to which input.</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>  (%n row(s))</source>
        <translation type="unfinished">
            <numerusform></numerusform>
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>  · silent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>loop: 1 sample late</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>silenced</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>heard alone</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>over the rails</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>behind the panel</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::ChartMap</name>
    <message>
        <source>Map of the chart</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The whole patch; click to go there</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::CommandFinder</name>
    <message>
        <source>Find a command</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type part of a command&apos;s name</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::Document</name>
    <message>
        <source>recover unsaved work</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::FindingCard</name>
    <message>
        <source>Ctrl+Z takes it back</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep it as it is…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>It is not shown any more; the patch remembers why</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Kept: %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let it speak again</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::FindingsPage</name>
    <message>
        <source>Findings of which voice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Findings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cable %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The case</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All voices</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shown on the chart when a fix is looked at</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>let a finding speak again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Mistakes</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>May be wanted</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing is found wrong here.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Looking…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Kept as it is</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>To know</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::Inspector</name>
    <message>
        <source>Inspector</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing chosen</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Take a first part from the case with Patch, Add from the case.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a post or a row of the chart to see its knobs and jacks.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 waits for its other end: click a jack, or press Esc.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>free a knob of its controller</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep the present state</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Writes the eight bits into the State switch; a trigger at restore brings them back.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>keep state %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>none</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>choose %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tuning</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Inputs</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Outputs</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Cable %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Readings of this cable</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Note on this cable</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Note for the sheet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Which cable to use</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Length not chosen</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cm %2 (%3 of %4 used)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 cm %2 (not in this case)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>write down cable %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Also found: %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tie %1 to %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Note on a knob</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What is to be said of it?</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>note on a knob</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>lock a knob</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>unlock a knob</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Move a controller of the MIDI device now; it will turn this knob.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>learn controller %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Controller %1 turns it now.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::JackChooser</name>
    <message>
        <source>Out of %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Into %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tie</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>  taken</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This post has no output.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Every input here is taken.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::KeyStrip</name>
    <message>
        <source>Keys</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A to L play the white keys, W E T Z U O P the black ones; Page Up and Page Down change the octave, 1 to 9 the velocity.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Playing from %1, velocity %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Click here, then play with A to L</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::Knob</name>
    <message>
        <source>Drag up or down, finer with Shift. Double-click to type a value or a position such as 10:20.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Locked: it stays as it is.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Under controller %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is locked; unlock it with a right click.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1, value or position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” is not a setting of %2: it takes %3.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Type a value…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Back to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Copy the value</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Paste a value</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Unlock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Write a note…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Change the note…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Learn a MIDI controller</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Forget controller %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::MainWindow</name>
    <message>
        <source>Lariat patches (*.json)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Left out: %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Patch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Start or &amp;stop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Back to bar 1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Monitor &amp;up</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Monitor &amp;down</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Real case</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;History…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Find a command…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Shortcuts</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;About Lariat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;New patch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>New patch &amp;in</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>New &amp;window</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open a patch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open &amp;recent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open the &amp;demo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Night Watch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Save</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Save &amp;as…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Pre&amp;ferences…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing opened yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 — the open patch is unchanged.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Opened %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Saved %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Save the patch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Unsaved changes</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>“%1” has changes that are not saved.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Lariat was not closed properly last time. Unsaved work of %1 was kept.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Open it</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Throw it away</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 of %2 cables</source>
        <translation type="unfinished"></translation>
    </message>
    <message numerus="yes">
        <source>%n cable(s)</source>
        <translation type="unfinished">
            <numerusform></numerusform>
            <numerusform></numerusform>
        </translation>
    </message>
    <message>
        <source>nothing found wrong</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>1 finding</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 findings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>not saved yet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1[*] (%2) – Lariat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>History</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>as it was opened</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Drop one file at a time.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is not a file on this machine.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On the chart: the row before or after</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shift+Up, Shift+Down</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On the chart: choose rows beside the one that is chosen</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Menu key</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On the chart: what can be done with the row or post</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A to L, W E T Z U O P</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On the keys: play; Page Up and Page Down change the octave</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On the chart: the post before or after</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On a knob: ten minutes of the clock hand; with Shift one minute</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Enter</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>On a knob: type a value or a position</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Shortcuts</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>About Lariat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&lt;b&gt;Lariat %1&lt;/b&gt;&lt;p&gt;Plans, simulates and documents modular synthesizer patches.&lt;/p&gt;&lt;p&gt;Free software under the GNU General Public License, version 3 or later.&lt;/p&gt;</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::MessageStrip</name>
    <message>
        <source>Close</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::Meter</name>
    <message>
        <source>silent</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::PatchPlace</name>
    <message>
        <source>Show all</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Tie a cable</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Play from a MIDI file…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose all &amp;rows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Compact rows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Wires &amp;behind the panel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Hold the &amp;traces</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Larger rows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Smaller rows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Rows as &amp;usual</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Only the &amp;path of this cable or post</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Only this &amp;voice</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The &amp;whole patch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Build &amp;row by row</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Row by row: &amp;next</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Row by row: bac&amp;k</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What is ch&amp;osen</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>All &amp;findings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Settings &amp;A and B</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a row of the chart first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Silence the &amp;row, or let it sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Listen to this cable, or to the way out again</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>You hear this cable alone, without DC and at half its voltage.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>You hear the way out again.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Silence this &amp;voice, or let it sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Hear this voice alone, or all</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Let &amp;everything sound</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>&amp;Keys to play on</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>This patch has no keys and no MIDI converter that could be played. Add one with Ctrl+E.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a row or a post first; its path is what reaches it and what it reaches.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Only the path of %1: %2 of %3 cables</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose a row or a post of the voice first.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Only %1: %2 of %3 cables</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Choose keys, a MIDI converter or a pad first; they are what can be played.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Play from a MIDI file</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>MIDI files (*.mid *.midi)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>play %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tie %1 to %2</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: done. Ctrl+Z takes it back.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep it as it is</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Why is it meant? %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>it is meant</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>keep a finding as it is</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::Preferences</name>
    <message>
        <source>Preferences</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As the system</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Takes effect when Lariat is started again.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Light</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Dark</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Look</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Language</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>First one there is</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Sound goes to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 ms (blocks of %2)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>From an edit to the loudspeaker. If the sound drops out, take more.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Latency</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Dropouts</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>MIDI comes from</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Line, phone and instrument inputs can be damaged by eurorack levels: use an output stage. Start with the monitor down, for your ears and your speakers.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>none so far</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1: a block was not ready when the device wanted it. Take more latency, or close what else keeps this machine busy.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Only the simulated interface records</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Stop recording</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Record what is played to a WAV file…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Record to</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>recording.wav</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>WAV (*.wav)</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::SettingsPage</name>
    <message>
        <source>Put aside where all knobs stand as A and as B, then go from one to the other. Locked knobs stay.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Keep as %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Go to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Between A and B, in per cent</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>keep the knobs as %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 is where the knobs stand now.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Nothing is kept as %1 yet.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>go to %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>stand between A and B</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Now turn what is to be different, and keep it as the other one.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 %2: %3 → %4</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A and B are the same.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>… and %1 more</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::SheetPlace</name>
    <message>
        <source>Save as PDF…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Save as Markdown…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Patch sheet, page by page</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Patch sheet as &amp;PDF…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Patch sheet as &amp;Markdown…</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Page %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>PDF (*.pdf)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Markdown (*.md)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Save the patch sheet</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The sheet is being worked out; try again in a moment.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The patch sheet is in %1.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::SidePanel</name>
    <message>
        <source>Panel</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>What the panel shows</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Chosen</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Findings</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>A | B</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Findings (%1)</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::Sound</name>
    <message>
        <source>Recording to %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The recording is in %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>As the metal has it: splits sag, stages hiss, oscillators drift, picky inputs miss pulses.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Ideal again: nothing sags, hisses or drifts.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1 has gone away; playing to the simulated interface. Choose a device in the preferences.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::StepBar</name>
    <message>
        <source>One row back</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Next row</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Whole patch</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Row %1 of %2: %3 to %4</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source> – you should read %1</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::TieLine</name>
    <message>
        <source>tie: osc a saw to filter in 1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tie line</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Write which output goes to which input, then press Enter (Ctrl+T). Several sentences can be pasted at once.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tie %1</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>tie %1 cables</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tied %1.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tied %1 cables.</source>
        <translation type="unfinished"></translation>
    </message>
</context>
<context>
    <name>lariat::TransportBar</name>
    <message>
        <source>Start or stop</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Start or stop the clock (Space)</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Bar and beat</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>out L</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>out R</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Monitor level in dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>How loud the monitor is. Start low: resonance, feedback and sync can jump 20 dB in a step.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Monitor level</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>Load</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>no clock</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>monitor off</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>monitor %1 dB</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>real case · </source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>load %1 %</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>muted: runs away</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>The sound stayed at the rails for half a second: a loop gain above one. Mend the patch, or move the monitor to hear it.</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>monitor limited</source>
        <translation type="unfinished"></translation>
    </message>
    <message>
        <source>%1, %2 dropouts</source>
        <translation type="unfinished"></translation>
    </message>
</context>
</TS>
