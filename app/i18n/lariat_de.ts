<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE" sourcelanguage="en">
<context>
    <name>QObject</name>
    <message>
        <source>Breaks the wire behind the panel from %1 to %2.</source>
        <translation>Trennt den Draht hinter der Platte von %1 nach %2.</translation>
    </message>
    <message>
        <source>Takes %1 out of %2.</source>
        <translation>Nimmt %1 aus %2 heraus.</translation>
    </message>
</context>
<context>
    <name>QPlatformTheme</name>
    <message>
        <source>OK</source>
        <translation>OK</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Speichern</translation>
    </message>
    <message>
        <source>Open</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>&amp;Yes</source>
        <translation>&amp;Ja</translation>
    </message>
    <message>
        <source>&amp;No</source>
        <translation>&amp;Nein</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Discard</source>
        <translation>Verwerfen</translation>
    </message>
    <message>
        <source>Apply</source>
        <translation>Anwenden</translation>
    </message>
    <message>
        <source>Reset</source>
        <translation>Zurücksetzen</translation>
    </message>
    <message>
        <source>Save All</source>
        <translation>Alle speichern</translation>
    </message>
</context>
<context>
    <name>core</name>
    <message>
        <source>{} is not heard</source>
        <translation>{} ist nicht zu hören</translation>
    </message>
    <message>
        <source>{} of {} stands at {}; a tuning is kept to where it stands at {}.</source>
        <translation>{} von {} steht auf {}; eine Stimmung gilt, wo er auf {} steht.</translation>
    </message>
    <message>
        <source>{} cables, {} are in the case</source>
        <translation>{} Kabel, im Gehäuse sind {}</translation>
    </message>
    <message>
        <source>From this row on there is no cable left. Stackable plugs and mults do not help: borrow some.</source>
        <translation>Ab dieser Zeile ist kein Kabel mehr da. Stapelstecker und Verteiler helfen nicht: welche leihen.</translation>
    </message>
    <message>
        <source>{} cm, about {:.0f} cm are needed</source>
        <translation>{} cm, nötig sind etwa {:.0f} cm</translation>
    </message>
    <message>
        <source>{} of {} cm {} used, {} are there</source>
        <translation>{0} mit {1} cm {2} benutzt, vorhanden sind {3}</translation>
    </message>
    <message>
        <source>{} and {} stand too far apart for this cable.</source>
        <translation>{} und {} stehen für dieses Kabel zu weit auseinander.</translation>
    </message>
    <message>
        <source>The bag does not hold that many of this length and colour.</source>
        <translation>So viele dieser Länge und Farbe sind nicht in der Tasche.</translation>
    </message>
    <message>
        <source>Take {} cm {}</source>
        <translation>{} cm {} nehmen</translation>
    </message>
    <message>
        <source>A plug in {} of {} takes its channels out of the sum, and they reach the way out by no other road.</source>
        <translation>Ein Stecker in {} von {} nimmt dessen Kanäle aus der Summe, und sie erreichen den Ausgang auf keinem anderen Weg.</translation>
    </message>
    <message>
        <source>Take the cable out</source>
        <translation>Kabel herausnehmen</translation>
    </message>
    <message>
        <source>parts from the beat by {:.0f} ms a bar</source>
        <translation>läuft dem Schlag je Takt um {:.0f} ms davon</translation>
    </message>
    <message>
        <source>{} runs almost in step with {}, but by itself. Take the pulse from the clock, or reset it every bar.</source>
        <translation>{} läuft fast im Gleichschritt mit {}, aber für sich. Den Puls vom Takt nehmen, oder in jedem Takt zurücksetzen.</translation>
    </message>
    <message>
        <source>{:.1f} V go in, {:.3f} V come out</source>
        <translation>{:.1f} V gehen hinein, {:.3f} V kommen heraus</translation>
    </message>
    <message>
        <source>{} is closed: what should open it never rises above {:.1f} V.</source>
        <translation>{} ist zu: was ihn öffnen soll, steigt nie über {:.1f} V.</translation>
    </message>
    <message>
        <source>{:+.2f} V of DC</source>
        <translation>{:+.2f} V Gleichspannung</translation>
    </message>
    <message>
        <source>{:.0f} % of the level moves below 15 Hz</source>
        <translation>{:.0f} % des Pegels liegen unter 15 Hz</translation>
    </message>
    <message>
        <source>It is not heard, takes headroom away, and heats loudspeakers. A DC blocker takes it out.</source>
        <translation>Das ist nicht zu hören, kostet Aussteuerung und heizt Lautsprecher. Ein Gleichspannungsfilter nimmt es heraus.</translation>
    </message>
    <message>
        <source>Put the free {} in and let {} open it</source>
        <translation>Den freien {} einsetzen und von {} öffnen lassen</translation>
    </message>
    <message>
        <source>the level never falls more than {:.1f} dB</source>
        <translation>der Pegel fällt nie um mehr als {:.1f} dB</translation>
    </message>
    <message>
        <source>It drones: {} stays open, so nothing tells the sound to stop.</source>
        <translation>Es klingt dauernd: {} bleibt offen, also hält den Klang nichts an.</translation>
    </message>
    <message>
        <source>hits differ by {:.0f} %</source>
        <translation>Schläge weichen um {:.0f} % ab</translation>
    </message>
    <message>
        <source>{} runs on between hits, so each hit starts at another phase. Leave it alive if you like that.</source>
        <translation>{} läuft zwischen den Schlägen weiter, also beginnt jeder an einer anderen Phase. So lassen, wenn es gefällt.</translation>
    </message>
    <message>
        <source>stays at {:.0f} Hz while the tune moves {:.0f} cents</source>
        <translation>bleibt bei {:.0f} Hz, während die Melodie um {:.0f} Cent wandert</translation>
    </message>
    <message>
        <source>{} sings by itself and nothing is in its v/oct, so it plays one note.</source>
        <translation>{} schwingt von selbst, und in v/oct steckt nichts, also spielt es nur einen Ton.</translation>
    </message>
    <message>
        <source>Turn {} of {} to {}</source>
        <translation>{} von {} auf {} drehen</translation>
    </message>
    <message>
        <source>Put the free {} into cable {}</source>
        <translation>Den freien {} in Kabel {} einsetzen</translation>
    </message>
    <message>
        <source>Move cable {} to {}</source>
        <translation>Kabel {} nach {} umstecken</translation>
    </message>
    <message>
        <source>Tie {} to {}</source>
        <translation>{} mit {} verbinden</translation>
    </message>
    <message>
        <source>the mean pitch moves {:+.0f} cents</source>
        <translation>die mittlere Tonhöhe wandert um {:+.0f} Cent</translation>
    </message>
    <message>
        <source>Exponential FM lifts {} more than it lowers it, so the note goes sharp as the depth grows. Linear FM keeps it.</source>
        <translation>Exponentielle FM hebt {} mehr an, als sie ihn absenkt, also wird der Ton mit der Tiefe zu hoch. Lineare FM hält ihn.</translation>
    </message>
    <message>
        <source>starts {} times in {:.0f} s by itself</source>
        <translation>startet von selbst {} Mal in {:.0f} s</translation>
    </message>
    <message>
        <source>{} loops because nothing is in its gate, so notes are not what opens the voice.</source>
        <translation>{} läuft im Kreis, weil in gate nichts steckt; nicht die Noten öffnen also die Stimme.</translation>
    </message>
    <message>
        <source>0 to {:.1f} V within one sample</source>
        <translation>0 auf {:.1f} V innerhalb eines Samples</translation>
    </message>
    <message>
        <source>The gate opens {} at once, and every edge is heard as a click. An envelope rounds it.</source>
        <translation>Das Gate öffnet {} schlagartig, und jede Flanke ist als Klick zu hören. Eine Hüllkurve rundet sie ab.</translation>
    </message>
    <message>
        <source>{:+.1f} dBu at the way out, line level is +4</source>
        <translation>{:+.1f} dBu am Ausgang, Line-Pegel ist +4</translation>
    </message>
    <message>
        <source>{} lets the case out almost as hot as it is. A line, phone or instrument input can be overdriven or damaged.</source>
        <translation>{} lässt das Gehäuse fast so laut hinaus, wie es ist. Line-, Kopfhörer- oder Instrumenteneingänge können übersteuern oder Schaden nehmen.</translation>
    </message>
    <message>
        <source>one sample late, {:.1f} µs</source>
        <translation>ein Sample später, {:.1f} µs</translation>
    </message>
    <message>
        <source>This cable closes a loop. On metal the signal comes round at once; here it takes one sample, which shifts phases above some 5 kHz.</source>
        <translation>Dieses Kabel schließt eine Schleife. Im Metall ist das Signal sofort herum; hier braucht es ein Sample, was Phasen oberhalb von etwa 5 kHz verschiebt.</translation>
    </message>
    <message>
        <source>at the rails {:.0f} % of the time</source>
        <translation>{:.0f} % der Zeit an der Versorgungsgrenze</translation>
    </message>
    <message>
        <source>This loop gives back more than it takes, so it grows until the rails hold it. It may be loud.</source>
        <translation>Diese Schleife gibt mehr zurück, als sie nimmt, und wächst bis zur Versorgungsgrenze. Das kann laut werden.</translation>
    </message>
    <message>
        <source>0.0 V reach the output</source>
        <translation>0,0 V erreichen den Ausgang</translation>
    </message>
    <message>
        <source>{} leads nowhere: no cable brings it to a way out, so its voice is silent.</source>
        <translation>{} führt nirgendwohin: kein Kabel bringt es zum Ausgang, also bleibt die Stimme stumm.</translation>
    </message>
    <message>
        <source>The patch has no way out. Add a line out from the case and tie the last sound to it.</source>
        <translation>Der Patch hat keinen Ausgang. Einen Line-Ausgang aus dem Gehäuse nehmen und den letzten Klang damit verbinden.</translation>
    </message>
    <message>
        <source>0.0 V come out</source>
        <translation>0,0 V kommen heraus</translation>
    </message>
    <message>
        <source>0 clock pulses arrive</source>
        <translation>0 Taktpulse kommen an</translation>
    </message>
    <message>
        <source>0 notes written</source>
        <translation>0 Noten geschrieben</translation>
    </message>
    <message>
        <source>the noise floor rises by {:.0f} dB</source>
        <translation>der Rauschteppich steigt um {:.0f} dB</translation>
    </message>
    <message>
        <source>The gain of {} lifts what is there between the notes. Some like that; if not, make up less.</source>
        <translation>Die Verstärkung von {} hebt, was zwischen den Noten liegt. Manche mögen das; wenn nicht, weniger aufholen.</translation>
    </message>
    <message>
        <source>{} no longer reaches {}</source>
        <translation>{} erreicht {} nicht mehr</translation>
    </message>
    <message>
        <source>{} is not in {}</source>
        <translation>{} ist nicht in {}</translation>
    </message>
    <message>
        <source>{} cannot be built here as it is. It is simulated all the same.</source>
        <translation>{} lässt sich hier so nicht bauen. Simuliert wird es trotzdem.</translation>
    </message>
    <message>
        <source>Let the free {} of {} stand in</source>
        <translation>Den freien {} von {} einspringen lassen</translation>
    </message>
    <message>
        <source>{:+.1f} V of DC under the sum</source>
        <translation>{:+.1f} V Gleichspannung unter der Summe</translation>
    </message>
    <message>
        <source>{} waves that never go below zero are added up in {}. Turning half of them over keeps the sum around 0 V.</source>
        <translation>{} Wellen, die nie unter null gehen, werden in {} summiert. Die Hälfte umzudrehen hält die Summe um 0 V.</translation>
    </message>
    <message>
        <source>{:.0f} mA on {}, {:.0f} mA are there</source>
        <translation>{:.0f} mA auf {}, vorhanden sind {:.0f} mA</translation>
    </message>
    <message>
        <source>{} draws more than its supply gives on this rail. Switch off before anything is unplugged; leave mains work to qualified people.</source>
        <translation>{} zieht auf dieser Schiene mehr, als das Netzteil gibt. Vor jedem Umstecken ausschalten; Arbeiten am Netz Fachleuten überlassen.</translation>
    </message>
    <message>
        <source>{} HP in row {}, {} fit</source>
        <translation>{} TE in Reihe {}, Platz ist für {}</translation>
    </message>
    <message>
        <source>The modules of this row of {} do not fit beside each other.</source>
        <translation>Die Module dieser Reihe von {} passen nicht nebeneinander.</translation>
    </message>
    <message>
        <source>at its limit {:.0f} % of the time, {:.0f} to {:.0f} Hz asked for</source>
        <translation>{:.0f} % der Zeit am Anschlag, verlangt sind {:.0f} bis {:.0f} Hz</translation>
    </message>
    <message>
        <source>The cutoff of {} is pushed past the end of its range and stays there.</source>
        <translation>Die Grenzfrequenz von {} wird über das Ende ihres Bereichs geschoben und bleibt dort.</translation>
    </message>
    <message>
        <source>an octave arrives as {:.0f} cents</source>
        <translation>eine Oktave kommt als {:.0f} Cent an</translation>
    </message>
    <message>
        <source>The tune passes {}, whose level stands at {:.0f} %. Pitch has to arrive as it was sent.</source>
        <translation>Die Melodie geht durch {}, dessen Pegel auf {:.0f} % steht. Tonhöhe muss ankommen, wie sie gesendet wurde.</translation>
    </message>
    <message>
        <source>the tune spans {:.0f} st, what is heard {:.1f} st</source>
        <translation>die Melodie umfasst {:.0f} Halbtöne, zu hören sind {:.1f}</translation>
    </message>
    <message>
        <source>{} is reset by {}, which carries the tune. Pitch on {} only changes its colour.</source>
        <translation>{} wird von {} zurückgesetzt, und der trägt die Melodie. Tonhöhe an {} ändert nur die Farbe.</translation>
    </message>
    <message>
        <source>peaks at {:.1f} V, {:.1f} V are needed</source>
        <translation>Spitze {:.1f} V, nötig sind {:.1f} V</translation>
    </message>
    <message>
        <source>{} of {} never sees this: it stays below the threshold of the input.</source>
        <translation>{} von {} sieht das nie: es bleibt unter der Schwelle des Eingangs.</translation>
    </message>
    <message>
        <source>pulses of {:.1f} ms, {:.1f} ms are needed</source>
        <translation>Pulse von {:.1f} ms, nötig sind {:.1f} ms</translation>
    </message>
    <message>
        <source>{} of {} wants longer pulses than these; on metal it misses them.</source>
        <translation>{} von {} braucht längere Pulse; im Metall übersieht er diese.</translation>
    </message>
    <message>
        <source>{:.0f} cents flat at {:.1f} V</source>
        <translation>{:.0f} Cent zu tief bei {:.1f} V</translation>
    </message>
    <message>
        <source>On metal, {} inputs share one output and each takes about 1 % of its voltage. A buffered mult takes nothing.</source>
        <translation>Im Metall teilen sich {} Eingänge einen Ausgang, und jeder nimmt etwa 1 % der Spannung. Ein gepufferter Verteiler nimmt nichts.</translation>
    </message>
    <message>
        <source>Split with {}</source>
        <translation>Mit {} aufteilen</translation>
    </message>
    <message>
        <source>{:.0f} dB louder within second {}</source>
        <translation>{:.0f} dB lauter innerhalb von Sekunde {}</translation>
    </message>
    <message>
        <source>Mind your ears and speakers: start with the monitor down, and find what jumps before it is turned up.</source>
        <translation>Ohren und Lautsprecher schonen: mit leiser Abhöre beginnen und vor dem Aufdrehen suchen, was springt.</translation>
    </message>
    <message>
        <source>sums to {:.1f} V, over the rails {:.1f} % of the time</source>
        <translation>summiert sich auf {:.1f} V, {:.1f} % der Zeit über der Versorgungsgrenze</translation>
    </message>
    <message>
        <source>{} adds up to more than the ±10 V that it can put out, so the sum is bent.</source>
        <translation>{} kommt auf mehr als die ±10 V, die er ausgeben kann, also wird die Summe verbogen.</translation>
    </message>
    <message>
        <source>Turn {} down to {}</source>
        <translation>{} auf {} herunterdrehen</translation>
    </message>
    <message>
        <source>Lengthen the gates to {:.0f} % of a step</source>
        <translation>Gates auf {:.0f} % eines Schritts verlängern</translation>
    </message>
    <message>
        <source>gate {:.0f} ms, attack + decay {:.0f} ms</source>
        <translation>Gate {:.0f} ms, Attack + Decay {:.0f} ms</translation>
    </message>
    <message>
        <source>The gate of {} closes before its decay is over, so sustain is never reached and release starts early.</source>
        <translation>Das Gate von {} schließt vor dem Ende des Decay, also wird Sustain nie erreicht, und Release beginnt zu früh.</translation>
    </message>
    <message>
        <source>Shorten decay to {}</source>
        <translation>Decay auf {} verkürzen</translation>
    </message>
    <message>
        <source>still at {:.0f} % after {:.0f} ms, when the next hit comes</source>
        <translation>nach {1} ms, wenn der nächste Schlag kommt, noch bei {0} %</translation>
    </message>
    <message>
        <source>The tail of {} is longer than the step, so hits run into each other.</source>
        <translation>Der Ausklang von {} ist länger als der Schritt, also laufen die Schläge ineinander.</translation>
    </message>
    <message>
        <source>pulses of {:.0f} ms</source>
        <translation>Pulse von {:.0f} ms</translation>
    </message>
    <message>
        <source>{} holds as long as its gate is high, and these are triggers: it falls back before it has risen.</source>
        <translation>{} hält, solange das Gate hoch ist, und das hier sind Trigger: er fällt zurück, bevor er gestiegen ist.</translation>
    </message>
    <message>
        <source>flatness {:.3f}: 0 is a tone, 0.56 white noise</source>
        <translation>Flachheit {:.3f}: 0 ist ein Ton, 0,56 weißes Rauschen</translation>
    </message>
    <message>
        <source>{} and {} shake each other so hard that no pitch is left.</source>
        <translation>{} und {} rütteln so stark aneinander, dass keine Tonhöhe bleibt.</translation>
    </message>
    <message>
        <source>width {:.0f}…{:.0f} %, silent {:.0f} % of the time</source>
        <translation>Breite {:.0f}…{:.0f} %, {:.0f} % der Zeit stumm</translation>
    </message>
    <message>
        <source>At 0 or 100 % the pulse of {} stands still and is not heard.</source>
        <translation>Bei 0 oder 100 % steht der Puls von {} still und ist nicht zu hören.</translation>
    </message>
    <message>
        <source>{:.1f}…{:+.1f} V, shut {:.0f} % of the time</source>
        <translation>{:.1f}…{:+.1f} V, {:.0f} % der Zeit zu</translation>
    </message>
    <message>
        <source>{} opens from 0 V on; what goes below zero shuts it. An offset lifts the whole swing.</source>
        <translation>{} öffnet ab 0 V; was unter null geht, schließt ihn. Ein Offset hebt den ganzen Hub.</translation>
    </message>
    <message>
        <source>0…{:+.1f} V pans to one side only</source>
        <translation>0…{:+.1f} V schwenkt nur zu einer Seite</translation>
    </message>
    <message>
        <source>{} stands in the middle and is pushed only one way. Set its pan to the other side.</source>
        <translation>{} steht in der Mitte und wird nur in eine Richtung geschoben. Pan auf die andere Seite stellen.</translation>
    </message>
    <message>
        <source>{:.1f} V arrive, {} pass</source>
        <translation>{:.1f} V kommen an, {} kommen durch</translation>
    </message>
    <message>
        <source>{} of {} scales this input and stands at {} ({}), so the cable has no effect.</source>
        <translation>{} von {} bestimmt diesen Eingang und steht auf {} ({}), also wirkt das Kabel nicht.</translation>
    </message>
    <message>
        <source>Open {} to {}</source>
        <translation>{} auf {} öffnen</translation>
    </message>
    <message>
        <source>{} · {}</source>
        <translation>{} · {}</translation>
    </message>
    <message>
        <source>moving, near {}</source>
        <translation>bewegt, nahe {}</translation>
    </message>
    <message>
        <source>no steady pitch</source>
        <translation>ohne Tonhöhe</translation>
    </message>
    <message>
        <source>{}</source>
        <translation>{}</translation>
    </message>
    <message>
        <source>{}…{}</source>
        <translation>{}…{}</translation>
    </message>
    <message>
        <source>{} open</source>
        <translation>{} offen</translation>
    </message>
    <message>
        <source>stays low</source>
        <translation>bleibt unten</translation>
    </message>
    <message>
        <source>steady</source>
        <translation>gleich bleibend</translation>
    </message>
    <message>
        <source>period {}</source>
        <translation>Periode {}</translation>
    </message>
    <message>
        <source>DC {:+.2f} V</source>
        <translation>DC {:+.2f} V</translation>
    </message>
    <message>
        <source>over the rails</source>
        <translation>übersteuert</translation>
    </message>
    <message>
        <source>Take {} from the case and tie {} to {}</source>
        <translation>{} aus dem Gehäuse nehmen und {} mit {} verbinden</translation>
    </message>
    <message>
        <source>{} is not tied to a way out yet.</source>
        <translation>{} führt noch zu keinem Ausgang.</translation>
    </message>
    <message>
        <source>moving, {}…{}</source>
        <translation>bewegt, {}…{}</translation>
    </message>
    <message>
        <source>gate {:.0f} ms, attack {:.0f} ms</source>
        <translation>Gate {:.0f} ms, Attack {:.0f} ms</translation>
    </message>
    <message>
        <source>The gate of {} closes before its attack is over, so it never comes to its top.</source>
        <translation>Das Gate von {} schließt, bevor der Attack vorbei ist, also kommt es nie nach oben.</translation>
    </message>
    <message>
        <source>Shorten attack to {}</source>
        <translation>Attack auf {} verkürzen</translation>
    </message>
    <message>
        <source>fewer than two pulses in {:.0f} s</source>
        <translation>weniger als zwei Pulse in {:.0f} s</translation>
    </message>
    <message>
        <source>sustain reached on all {} notes</source>
        <translation>Sustain bei allen {} Noten erreicht</translation>
    </message>
    <message>
        <source>sustain reached on {} of {} notes, {:.0f} ms short</source>
        <translation>Sustain bei {} von {} Noten erreicht, es fehlen {:.0f} ms</translation>
    </message>
    <message>
        <source>the next note cuts off {} of {} tails, {:.0f} ms too long</source>
        <translation>die nächste Note schneidet {} von {} Ausklängen ab, {:.0f} ms zu lang</translation>
    </message>
    <message>
        <source>every tail ends before the next note</source>
        <translation>jeder Ausklang endet vor der nächsten Note</translation>
    </message>
    <message>
        <source>{} notes slurred into the next</source>
        <translation>{} Noten an die nächste gebunden</translation>
    </message>
    <message>
        <source>the sustain gate never fires: no note comes that far</source>
        <translation>das Sustain-Gate kommt nie: keine Note gelangt so weit</translation>
    </message>
    <message>
        <source>hits differ by {:.2f} %</source>
        <translation>Schläge unterscheiden sich um {:.2f} %</translation>
    </message>
    <message>
        <source>tail {}, outside the key {}</source>
        <translation>Ausklang {}, außerhalb der Tonart {}</translation>
    </message>
    <message>
        <source>tail {}</source>
        <translation>Ausklang {}</translation>
    </message>
    <message>
        <source>{}: at no tempo does every note reach sustain</source>
        <translation>{}: bei keinem Tempo erreicht jede Note Sustain</translation>
    </message>
    <message>
        <source>{}: at no tempo does every tail end in time</source>
        <translation>{}: bei keinem Tempo endet jeder Ausklang rechtzeitig</translation>
    </message>
    <message>
        <source>{}: every note reaches sustain at every tempo</source>
        <translation>{}: bei jedem Tempo erreicht jede Note Sustain</translation>
    </message>
    <message>
        <source>{}: every tail ends in time at every tempo</source>
        <translation>{}: bei jedem Tempo endet jeder Ausklang rechtzeitig</translation>
    </message>
    <message>
        <source>{}: up to {:.0f} BPM every note reaches sustain</source>
        <translation>{}: bis {:.0f} BPM erreicht jede Note Sustain</translation>
    </message>
    <message>
        <source>{}: up to {:.0f} BPM every tail ends in time</source>
        <translation>{}: bis {:.0f} BPM endet jeder Ausklang rechtzeitig</translation>
    </message>
    <message>
        <source>{}: from {:.0f} to {:.0f} BPM every note reaches sustain</source>
        <translation>{}: von {:.0f} bis {:.0f} BPM erreicht jede Note Sustain</translation>
    </message>
    <message>
        <source>{}: from {:.0f} to {:.0f} BPM every tail ends in time</source>
        <translation>{}: von {:.0f} bis {:.0f} BPM endet jeder Ausklang rechtzeitig</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Note</translation>
    </message>
    <message>
        <source>pitch at 1 V per octave, 0 V is C4</source>
        <translation>Tonhöhe bei 1 V je Oktave, 0 V ist C4</translation>
    </message>
    <message>
        <source>pitch in volts per hertz, 1 V is C0</source>
        <translation>Tonhöhe in Volt je Hertz, 1 V ist C0</translation>
    </message>
    <message>
        <source>samples at {} kHz</source>
        <translation>Abtastwerte bei {} kHz</translation>
    </message>
    <message>
        <source>a bar of four</source>
        <translation>ein Vierertakt</translation>
    </message>
    <message>
        <source>a quarter</source>
        <translation>ein Viertel</translation>
    </message>
    <message>
        <source>an 8th</source>
        <translation>ein Achtel</translation>
    </message>
    <message>
        <source>a 16th</source>
        <translation>ein Sechzehntel</translation>
    </message>
    <message>
        <source>a 32nd</source>
        <translation>ein Zweiunddreißigstel</translation>
    </message>
    <message>
        <source>a dotted 8th</source>
        <translation>ein punktiertes Achtel</translation>
    </message>
    <message>
        <source>a triplet 8th</source>
        <translation>ein Achtel einer Triole</translation>
    </message>
    <message>
        <source>a triplet 16th</source>
        <translation>ein Sechzehntel einer Triole</translation>
    </message>
    <message>
        <source>rate of the quarters</source>
        <translation>Frequenz der Viertel</translation>
    </message>
    <message>
        <source>rate of the 16ths</source>
        <translation>Frequenz der Sechzehntel</translation>
    </message>
    <message>
        <source>a pulse of 24 to the quarter</source>
        <translation>ein Puls von 24 je Viertel</translation>
    </message>
    <message>
        <source>rate</source>
        <translation>Frequenz</translation>
    </message>
    <message>
        <source>tempo, if it is a quarter</source>
        <translation>Tempo, wenn es ein Viertel ist</translation>
    </message>
    <message>
        <source>tempo, if it is a 16th</source>
        <translation>Tempo, wenn es ein Sechzehntel ist</translation>
    </message>
    <message>
        <source>part of a 16th at {} BPM</source>
        <translation>Teil eines Sechzehntels bei {} BPM</translation>
    </message>
    <message>
        <source>period</source>
        <translation>Periode</translation>
    </message>
    <message>
        <source>a sine of that peak, RMS</source>
        <translation>ein Sinus dieser Spitze, effektiv</translation>
    </message>
    <message>
        <source>a sine of that peak, peak to peak</source>
        <translation>ein Sinus dieser Spitze, Spitze zu Spitze</translation>
    </message>
    <message>
        <source>its level</source>
        <translation>sein Pegel</translation>
    </message>
    <message>
        <source>below full scale</source>
        <translation>unter Vollaussteuerung</translation>
    </message>
    <message>
        <source>interval at 1 V per octave</source>
        <translation>Intervall bei 1 V je Oktave</translation>
    </message>
    <message>
        <source>note at 1 V per octave</source>
        <translation>Note bei 1 V je Oktave</translation>
    </message>
    <message>
        <source>pitch at 1 V per octave</source>
        <translation>Tonhöhe bei 1 V je Oktave</translation>
    </message>
    <message>
        <source>interval</source>
        <translation>Intervall</translation>
    </message>
    <message>
        <source>in semitones</source>
        <translation>in Halbtönen</translation>
    </message>
    <message>
        <source>at 1 V per octave</source>
        <translation>bei 1 V je Oktave</translation>
    </message>
    <message>
        <source>near</source>
        <translation>nahe bei</translation>
    </message>
    <message>
        <source>divided by {}</source>
        <translation>geteilt durch {}</translation>
    </message>
    <message>
        <source>times {}</source>
        <translation>mal {}</translation>
    </message>
    <message>
        <source>which is the note</source>
        <translation>das ist die Note</translation>
    </message>
    <message>
        <source>together</source>
        <translation>zusammen</translation>
    </message>
    <message>
        <source>they meet again after</source>
        <translation>sie treffen sich wieder nach</translation>
    </message>
    <message>
        <source>in bars of 16</source>
        <translation>in Takten zu 16</translation>
    </message>
    <message>
        <source>in 16ths at {} BPM</source>
        <translation>in Sechzehnteln bei {} BPM</translation>
    </message>
    <message>
        <source>times that {} is played</source>
        <translation>so oft wird {} gespielt</translation>
    </message>
    <message>
        <source>what is left</source>
        <translation>was übrig bleibt</translation>
    </message>
    <message>
        <source>in semitones at 1 V per octave</source>
        <translation>in Halbtönen bei 1 V je Oktave</translation>
    </message>
    <message>
        <source>where an attenuator stands for it</source>
        <translation>Stellung eines Abschwächers dafür</translation>
    </message>
    <message>
        <source>volts that it takes</source>
        <translation>Volt, die es braucht</translation>
    </message>
    <message>
        <source>part of the whole</source>
        <translation>Teil des Ganzen</translation>
    </message>
    <message>
        <source>where an attenuverter stands for it</source>
        <translation>Stellung eines Attenuverters dafür</translation>
    </message>
    <message>
        <source>an attenuator cannot; amplify</source>
        <translation>ein Abschwächer kann es nicht; verstärken</translation>
    </message>
    <message>
        <source>peak</source>
        <translation>Spitze</translation>
    </message>
    <message>
        <source>as a factor</source>
        <translation>als Faktor</translation>
    </message>
    <message>
        <source>of a voltage</source>
        <translation>einer Spannung</translation>
    </message>
    <message>
        <source>{}: {} is not in the patch any more; that line does nothing</source>
        <translation>{}: {} ist nicht mehr im Patch; diese Zeile bewirkt nichts</translation>
    </message>
    <message>
        <source>{}, bar {}: {} stands at {} when its move begins at {}</source>
        <translation>{}, Takt {}: {} steht auf {}, wenn die Bewegung bei {} beginnt</translation>
    </message>
    <message>
        <source>{}, bar {}: {} in {:.2f} s, a hand takes {:.2f} s</source>
        <translation>{}, Takt {}: {} in {:.2f} s, eine Hand braucht {:.2f} s</translation>
    </message>
    <message>
        <source>{}, bar {}: the {} is still at {} when {} begins</source>
        <translation>{}, Takt {}: {} ist noch bei {}, wenn {} beginnt</translation>
    </message>
    <message>
        <source>{}, bar {}: {:.0f} HP to {} in {:.2f} s, a hand takes {:.2f} s</source>
        <translation>{}, Takt {}: {:.0f} TE bis {} in {:.2f} s, eine Hand braucht {:.2f} s</translation>
    </message>
    <message>
        <source>{}: {} is turned down here and never comes back</source>
        <translation>{}: {} wird hier zugedreht und kommt nie wieder</translation>
    </message>
    <message>
        <source>uneven, {:.2f} Hz on average · {:.1f} BPM</source>
        <translation>ungleichmäßig, im Mittel {:.2f} Hz · {:.1f} BPM</translation>
    </message>
    <message>
        <source>by itself, {:+.0f} ms a minute · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</source>
        <translation>für sich, {:+.0f} ms je Minute · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</translation>
    </message>
    <message>
        <source>{:.2f} Hz · {:.1f} ms · {:.1f} BPM</source>
        <translation>{:.2f} Hz · {:.1f} ms · {:.1f} BPM</translation>
    </message>
    <message>
        <source>× {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</source>
        <translation>× {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</translation>
    </message>
    <message>
        <source>÷ {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</source>
        <translation>÷ {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</translation>
    </message>
    <message>
        <source>{} : {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</source>
        <translation>{} : {} · {:.2f} Hz · {:.1f} ms · {:.1f} BPM</translation>
    </message>
    <message>
        <source>one note slurred into the next</source>
        <translation>eine Note an die nächste gebunden</translation>
    </message>
    <message>
        <source>the title: {} → {}</source>
        <translation>der Titel: {} → {}</translation>
    </message>
    <message>
        <source>the key: {} → {}</source>
        <translation>die Tonart: {} → {}</translation>
    </message>
    <message>
        <source>the case: {} → {}</source>
        <translation>das Gehäuse: {} → {}</translation>
    </message>
    <message>
        <source>only before: {} ({})</source>
        <translation>nur vorher: {} ({})</translation>
    </message>
    <message>
        <source>only after: {} ({})</source>
        <translation>nur nachher: {} ({})</translation>
    </message>
    <message>
        <source>unplugged: {} to {}</source>
        <translation>gezogen: {} nach {}</translation>
    </message>
    <message>
        <source>tied: {} to {}</source>
        <translation>gesteckt: {} nach {}</translation>
    </message>
    <message>
        <source>{} {}: {} → {}</source>
        <translation>{} {}: {} → {}</translation>
    </message>
    <message>
        <source>{} plays: {} → {}</source>
        <translation>{} spielt: {} → {}</translation>
    </message>
    <message>
        <source>{} is tuned by: {} → {}</source>
        <translation>{} ist gestimmt nach: {} → {}</translation>
    </message>
    <message>
        <source>{} is played otherwise</source>
        <translation>{} wird anders gespielt</translation>
    </message>
    <message>
        <source>its {} moves that</source>
        <translation>das verschiebt {}</translation>
    </message>
    <message>
        <source>Scenes</source>
        <translation>Szenen</translation>
    </message>
    <message>
        <source>Should read at the way out</source>
        <translation>Am Ausgang zu messen</translation>
    </message>
    <message>
        <source>Behind the panel</source>
        <translation>Hinter der Platte</translation>
    </message>
    <message>
        <source>Findings still open</source>
        <translation>Noch offene Befunde</translation>
    </message>
    <message>
        <source>Found, and meant</source>
        <translation>Gefunden und so gewollt</translation>
    </message>
    <message>
        <source>{} · page {}</source>
        <translation>{} · Seite {}</translation>
    </message>
    <message>
        <source>Cautions</source>
        <translation>Vorsicht</translation>
    </message>
    <message>
        <source>Cable chart</source>
        <translation>Kabelplan</translation>
    </message>
    <message>
        <source>Cables in build order</source>
        <translation>Kabel in Baureihenfolge</translation>
    </message>
    <message>
        <source>Row</source>
        <translation>Zeile</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Von</translation>
    </message>
    <message>
        <source>To</source>
        <translation>Nach</translation>
    </message>
    <message>
        <source>Cable</source>
        <translation>Kabel</translation>
    </message>
    <message>
        <source>Should read</source>
        <translation>Soll messen</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>closes a loop</source>
        <translation>schließt eine Schleife</translation>
    </message>
    <message>
        <source>Knobs</source>
        <translation>Regler</translation>
    </message>
    <message>
        <source>Pattern</source>
        <translation>Muster</translation>
    </message>
    <message>
        <source>Cables needed</source>
        <translation>Benötigte Kabel</translation>
    </message>
    <message>
        <source>{} × {} ({} in the bag)</source>
        <translation>{} × {} ({} im Beutel)</translation>
    </message>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>pitch of voice {}</source>
        <translation>Tonhöhe der Stimme {}</translation>
    </message>
    <message>
        <source>gate of voice {}</source>
        <translation>Gate der Stimme {}</translation>
    </message>
    <message>
        <source>velocity of voice {}</source>
        <translation>Anschlag der Stimme {}</translation>
    </message>
    <message>
        <source>pitch bend</source>
        <translation>Tonhöhenbeugung</translation>
    </message>
    <message>
        <source>modulation wheel</source>
        <translation>Modulationsrad</translation>
    </message>
    <message>
        <source>pressure</source>
        <translation>Druck</translation>
    </message>
    <message>
        <source>free controller {}</source>
        <translation>freier Controller {}</translation>
    </message>
    <message>
        <source>controller {}</source>
        <translation>Controller {}</translation>
    </message>
    <message>
        <source>hold pedal</source>
        <translation>Haltepedal</translation>
    </message>
    <message>
        <source>clock, {} a beat</source>
        <translation>Takt, {} je Schlag</translation>
    </message>
    <message>
        <source>high from start to stop</source>
        <translation>hoch von Start bis Stopp</translation>
    </message>
    <message>
        <source>trigger of note {}</source>
        <translation>Trigger der Note {}</translation>
    </message>
    <message>
        <source>any channel</source>
        <translation>jeder Kanal</translation>
    </message>
    <message>
        <source>channel {}</source>
        <translation>Kanal {}</translation>
    </message>
    <message>
        <source>choose the cable first that something is to go into</source>
        <translation>zuerst das Kabel wählen, in das etwas eingefügt werden soll</translation>
    </message>
    <message>
        <source>there is no part &quot;{}&quot;</source>
        <translation>es gibt kein Teil „{}“</translation>
    </message>
    <message>
        <source>cable {} begins or ends at {} already</source>
        <translation>Kabel {} beginnt oder endet schon an {}</translation>
    </message>
    <message>
        <source>{} has no input free</source>
        <translation>{} hat keinen freien Eingang</translation>
    </message>
    <message>
        <source>{} has no output</source>
        <translation>{} hat keinen Ausgang</translation>
    </message>
    <message>
        <source>&quot;{}&quot; may be {}; write which</source>
        <translation>„{}“ kann {} sein; bitte schreiben, welches</translation>
    </message>
    <message>
        <source>every {} of this case is in use</source>
        <translation>jedes Teil „{}“ dieses Gehäuses ist in Gebrauch</translation>
    </message>
    <message>
        <source>write which output goes to which input, as in &quot;clock 16ths to tracks clock&quot;, or which knob stands where, as in &quot;filter cutoff 412 Hz&quot;</source>
        <translation>schreiben, welcher Ausgang zu welchem Eingang geht, wie in „clock 16ths to tracks clock“, oder welcher Regler wo steht, wie in „filter cutoff 412 Hz“</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a setting of {} {}: it takes {}</source>
        <translation>„{}“ ist keine Stellung von {} {}: möglich ist {}</translation>
    </message>
    <message>
        <source>write which post is to be called what, as in &quot;call osc a Leader&quot;</source>
        <translation>schreiben, welcher Pfosten wie heißen soll, wie in „call osc a Leader“</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has no tracks or lanes to write</source>
        <translation>„{}“ hat keine Spuren oder Reihen, die man schreiben kann</translation>
    </message>
    <message>
        <source>no cable was tied before this note</source>
        <translation>vor dieser Notiz wurde kein Kabel verbunden</translation>
    </message>
    <message>
        <source>there is no post &quot;{}&quot;</source>
        <translation>es gibt keinen Pfosten „{}“</translation>
    </message>
    <message>
        <source>a title is missing</source>
        <translation>ein Titel fehlt</translation>
    </message>
    <message>
        <source>sentence {}, &quot;{}&quot;</source>
        <translation>Satz {}, „{}“</translation>
    </message>
    <message>
        <source>at most {} are read at once</source>
        <translation>höchstens {} werden auf einmal gelesen</translation>
    </message>
    <message>
        <source>it is {} characters long, at most {} are read</source>
        <translation>er ist {} Zeichen lang, höchstens {} werden gelesen</translation>
    </message>
    <message>
        <source>write which output goes to which input, as in &quot;clock 16ths to tracks clock&quot;</source>
        <translation>schreiben, welcher Ausgang zu welchem Eingang geht, wie in „clock 16ths to tracks clock“</translation>
    </message>
    <message>
        <source>the copy of a voice needs a name of its own</source>
        <translation>die Kopie einer Stimme braucht einen eigenen Namen</translation>
    </message>
    <message>
        <source>the case has nothing left for {}</source>
        <translation>im Gehäuse ist nichts mehr frei für {}</translation>
    </message>
    <message>
        <source>there is no voice &quot;{}&quot;</source>
        <translation>es gibt keine Stimme „{}“</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a jack in this patch; probes are written post.jack</source>
        <translation>„{}“ ist keine Buchse dieses Patches; Messpunkte schreibt man pfosten.buchse</translation>
    </message>
    <message>
        <source>nothing feeds &quot;{}&quot;, so there is nothing to record there</source>
        <translation>nichts speist „{}“, also gibt es dort nichts aufzunehmen</translation>
    </message>
    <message>
        <source>{} has no knob &quot;{}&quot;</source>
        <translation>{} hat keinen Regler „{}“</translation>
    </message>
    <message>
        <source>{:g} is outside its range, {}</source>
        <translation>{:g} liegt außerhalb des Bereichs {}</translation>
    </message>
    <message>
        <source>rendering was cancelled</source>
        <translation>das Berechnen wurde abgebrochen</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is none of its values: {}</source>
        <translation>„{}“ ist keiner der Werte {}</translation>
    </message>
    <message>
        <source>there is no module &quot;{}&quot;; add its description to the module folder</source>
        <translation>es gibt kein Modul „{}“; seine Beschreibung in den Modulordner legen</translation>
    </message>
    <message>
        <source>{} has no part &quot;{}&quot;</source>
        <translation>{} hat kein Teil „{}“</translation>
    </message>
    <message>
        <source>there is no recording &quot;{}&quot;; put {}.wav into the samples folder</source>
        <translation>es gibt keine Aufnahme „{}“; {}.wav in den Klangordner (samples) legen</translation>
    </message>
    <message>
        <source>there is no tuning &quot;{}&quot;; put {}.scl into the tunings folder</source>
        <translation>es gibt keine Stimmung „{}“; {}.scl in den Stimmungsordner (tunings) legen</translation>
    </message>
    <message>
        <source>{:g} is no position of this switch; they are counted from 0 (&quot;{}&quot;) to {} (&quot;{}&quot;)</source>
        <translation>{:g} ist keine Stellung dieses Schalters; gezählt wird von 0 („{}“) bis {} („{}“)</translation>
    </message>
    <message>
        <source>{} has no jack &quot;{}&quot;</source>
        <translation>{} hat keine Buchse „{}“</translation>
    </message>
    <message>
        <source>{} of {} is an output; a cable runs from an output to an input</source>
        <translation>{} von {} ist ein Ausgang; ein Kabel führt von einem Ausgang zu einem Eingang</translation>
    </message>
    <message>
        <source>{} of {} is an input; a cable runs from an output to an input</source>
        <translation>{} von {} ist ein Eingang; ein Kabel führt von einem Ausgang zu einem Eingang</translation>
    </message>
    <message>
        <source>{} holds a plug already; two outputs are summed by a mixer</source>
        <translation>in {} steckt schon ein Stecker; zwei Ausgänge summiert ein Mischer</translation>
    </message>
    <message>
        <source>{} of {} is in use already</source>
        <translation>{} von {} ist schon in Gebrauch</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a sequencer in this patch</source>
        <translation>„{}“ ist in diesem Patch kein Sequenzer</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not played by hand in this patch; keys, a MIDI converter or a pad are</source>
        <translation>„{}“ wird in diesem Patch nicht von Hand gespielt; Tasten, ein MIDI-Wandler oder ein Pad schon</translation>
    </message>
    <message>
        <source>there is no knob &quot;{}&quot;</source>
        <translation>es gibt keinen Regler „{}“</translation>
    </message>
    <message>
        <source>there is no block &quot;{}&quot;</source>
        <translation>es gibt keinen Block „{}“</translation>
    </message>
    <message>
        <source>is named twice</source>
        <translation>ist zweimal benannt</translation>
    </message>
    <message>
        <source>{} has no control &quot;{}&quot;</source>
        <translation>{} hat keine Einstellung „{}“</translation>
    </message>
    <message>
        <source>{} = {:g} is outside {:g} to {:g}</source>
        <translation>{} = {:g} liegt außerhalb von {:g} bis {:g}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not written block.name</source>
        <translation>„{}“ ist nicht als block.name geschrieben</translation>
    </message>
    <message>
        <source>there is no block &quot;{}&quot; in this part</source>
        <translation>in diesem Teil gibt es keinen Block „{}“</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not an output</source>
        <translation>„{}“ ist kein Ausgang</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not an input</source>
        <translation>„{}“ ist kein Eingang</translation>
    </message>
    <message>
        <source>the jack &quot;{}&quot; stands twice</source>
        <translation>die Buchse „{}“ steht zweimal da</translation>
    </message>
    <message>
        <source>its right side &quot;{}&quot; is not an output</source>
        <translation>die rechte Seite „{}“ ist kein Ausgang</translation>
    </message>
    <message>
        <source>its right side &quot;{}&quot; is not an input</source>
        <translation>die rechte Seite „{}“ ist kein Eingang</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not an input of this part</source>
        <translation>„{}“ ist kein Eingang dieses Teils</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not written part.jack</source>
        <translation>„{}“ ist nicht als teil.buchse geschrieben</translation>
    </message>
    <message>
        <source>the knob &quot;{}&quot; stands twice</source>
        <translation>der Regler „{}“ steht zweimal da</translation>
    </message>
    <message>
        <source>the range {:g} to {:g} goes beyond the control&apos;s own, {}</source>
        <translation>der Bereich {:g} bis {:g} geht über den eigenen der Einstellung hinaus, {}</translation>
    </message>
    <message>
        <source>the initial value {:g} is outside {:g} to {:g}</source>
        <translation>der Anfangswert {:g} liegt außerhalb von {:g} bis {:g}</translation>
    </message>
    <message>
        <source>there is no input &quot;{}&quot; whose plug could change it</source>
        <translation>es gibt keinen Eingang „{}“, dessen Stecker das ändern könnte</translation>
    </message>
    <message>
        <source>there is no switch &quot;{}&quot; with a position &quot;{}&quot;</source>
        <translation>es gibt keinen Schalter „{}“ mit einer Stellung „{}“</translation>
    </message>
    <message>
        <source>its normals go round in a circle</source>
        <translation>die Normalisierungen führen im Kreis</translation>
    </message>
    <message>
        <source>the normal {}.{} does not exist</source>
        <translation>die Normalisierung {}.{} gibt es nicht</translation>
    </message>
    <message>
        <source>stands twice</source>
        <translation>steht zweimal da</translation>
    </message>
    <message>
        <source>the module folder cannot be read: {}</source>
        <translation>der Modulordner ist nicht lesbar: {}</translation>
    </message>
    <message>
        <source>cannot be written</source>
        <translation>kann nicht geschrieben werden</translation>
    </message>
    <message>
        <source>a message ends too early</source>
        <translation>eine Nachricht endet zu früh</translation>
    </message>
    <message>
        <source>a time or a length has more than four bytes</source>
        <translation>eine Zeit oder Länge hat mehr als vier Bytes</translation>
    </message>
    <message>
        <source>byte {}</source>
        <translation>Byte {}</translation>
    </message>
    <message>
        <source>it ends within an event</source>
        <translation>die Datei endet mitten in einem Ereignis</translation>
    </message>
    <message>
        <source>a tempo of no length</source>
        <translation>ein Tempo ohne Länge</translation>
    </message>
    <message>
        <source>the time has run over</source>
        <translation>die Zeit läuft über</translation>
    </message>
    <message>
        <source>a message without its kind</source>
        <translation>eine Nachricht ohne ihre Art</translation>
    </message>
    <message>
        <source>a system message that has no place in a file</source>
        <translation>eine Systemnachricht, die in keine Datei gehört</translation>
    </message>
    <message>
        <source>it holds more than {} messages</source>
        <translation>sie enthält mehr als {} Nachrichten</translation>
    </message>
    <message>
        <source>it is not a MIDI file: it does not start with MThd</source>
        <translation>das ist keine MIDI-Datei: sie beginnt nicht mit MThd</translation>
    </message>
    <message>
        <source>it ends within the head of a chunk</source>
        <translation>die Datei endet mitten in einem Blockkopf</translation>
    </message>
    <message>
        <source>the chunk at byte {} claims {} bytes, {} are left; the file was cut short</source>
        <translation>der Block bei Byte {} nennt {} Bytes, {} sind übrig; die Datei ist abgeschnitten</translation>
    </message>
    <message>
        <source>it counts time in frames; save it with ticks per quarter note</source>
        <translation>die Zeit zählt in Bildern; mit Ticks je Viertel speichern</translation>
    </message>
    <message>
        <source>it has more than {} tracks</source>
        <translation>sie hat mehr als {} Spuren</translation>
    </message>
    <message>
        <source>{} has no table of MIDI ports</source>
        <translation>{} hat keine Tabelle von MIDI-Ausgängen</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no name for a scale: 1 to {} characters, without slashes</source>
        <translation>„{}“ ist kein Name für eine Skala: 1 bis {} Zeichen, ohne Schrägstriche</translation>
    </message>
    <message>
        <source>holds another scale; choose another name</source>
        <translation>enthält eine andere Skala; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>cannot be made: {}</source>
        <translation>kann nicht angelegt werden: {}</translation>
    </message>
    <message>
        <source>an output is missing, for example &quot;{}&quot;</source>
        <translation>ein Ausgang fehlt, zum Beispiel „{}“</translation>
    </message>
    <message>
        <source>an input is missing, for example &quot;{}&quot;</source>
        <translation>ein Eingang fehlt, zum Beispiel „{}“</translation>
    </message>
    <message>
        <source>there is no output &quot;{}&quot;; near it: {}</source>
        <translation>es gibt keinen Ausgang „{}“; ähnlich: {}</translation>
    </message>
    <message>
        <source>there is no input &quot;{}&quot;; near it: {}</source>
        <translation>es gibt keinen Eingang „{}“; ähnlich: {}</translation>
    </message>
    <message>
        <source>one of the jacks does not exist</source>
        <translation>eine der Buchsen gibt es nicht</translation>
    </message>
    <message>
        <source>both are outputs; two outputs must never be joined, sum them in a mixer</source>
        <translation>beides sind Ausgänge; zwei Ausgänge dürfen nie verbunden werden, ein Mischer summiert sie</translation>
    </message>
    <message>
        <source>both are inputs; a cable runs from an output to an input</source>
        <translation>beides sind Eingänge; ein Kabel führt von einem Ausgang zu einem Eingang</translation>
    </message>
    <message>
        <source>{} holds cable {} already</source>
        <translation>in {} steckt schon Kabel {}</translation>
    </message>
    <message>
        <source>there is no module &quot;{}&quot;</source>
        <translation>es gibt kein Modul „{}“</translation>
    </message>
    <message>
        <source>{} sticks out of its row</source>
        <translation>{} ragt aus seiner Reihe</translation>
    </message>
    <message>
        <source>{} overlaps its neighbour at HP {}</source>
        <translation>{} überdeckt den Nachbarn bei TE {}</translation>
    </message>
    <message>
        <source>no modules were found here; set LARIAT_DATA to Lariat&apos;s data folder</source>
        <translation>hier wurden keine Module gefunden; LARIAT_DATA auf Lariats Datenordner setzen</translation>
    </message>
    <message>
        <source>is no file, but a folder, a device or a pipe</source>
        <translation>ist keine Datei, sondern ein Ordner, ein Gerät oder eine Pipe</translation>
    </message>
    <message>
        <source>cannot be read as audio: {}</source>
        <translation>ist nicht als Klang lesbar: {}</translation>
    </message>
    <message>
        <source>claims {} frames of {} channels, more than can be read</source>
        <translation>nennt {} Abtastungen mit {} Kanälen, mehr als gelesen werden können</translation>
    </message>
    <message>
        <source>claims {} samples and holds {}; it was cut short</source>
        <translation>nennt {} Werte und enthält {}; die Datei ist abgeschnitten</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is the name of another slot already</source>
        <translation>„{}“ heißt schon ein anderer Platz</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has {} steps, 1 to {} are possible</source>
        <translation>„{}“ hat {} Schritte, möglich sind 1 bis {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has a step of {} clock pulses, 1 to 16 are possible</source>
        <translation>„{}“ hat Schritte von {} Taktpulsen, möglich sind 1 bis 16</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has a swing of {:g} %, 50 to 75 are possible</source>
        <translation>„{}“ hat einen Swing von {:g} %, möglich sind 50 bis 75</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has a step that comes {:g} % of it late, 0 to {:g} are possible</source>
        <translation>„{}“ hat einen Schritt, der {:g} % seiner Länge zu spät kommt; möglich sind 0 bis {:g}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has a step struck {} times with a gate of {:g}; 1 to 8 times and a gate above 0 and up to 1 are possible</source>
        <translation>„{}“ hat einen Schritt, der {}-mal mit einem Gate von {:g} anschlägt; möglich sind 1 bis 8 Anschläge und ein Gate über 0 bis 1</translation>
    </message>
    <message>
        <source>{} holds cable {} already; free it first, or use a mixer</source>
        <translation>in {} steckt schon Kabel {}; zuerst freimachen oder einen Mischer nehmen</translation>
    </message>
    <message>
        <source>there is no cable with the number {}</source>
        <translation>es gibt kein Kabel mit der Nummer {}</translation>
    </message>
    <message>
        <source>there is a cable with the number {} already</source>
        <translation>es gibt schon ein Kabel mit der Nummer {}</translation>
    </message>
    <message>
        <source>{} of {} is locked; unlock it first</source>
        <translation>{} von {} ist gesperrt; zuerst freigeben</translation>
    </message>
    <message>
        <source>there is a post &quot;{}&quot; already</source>
        <translation>es gibt schon einen Pfosten „{}“</translation>
    </message>
    <message>
        <source>a post needs a name</source>
        <translation>ein Pfosten braucht einen Namen</translation>
    </message>
    <message>
        <source>no cable stands under {} · {}</source>
        <translation>unter {} · {} steht kein Kabel</translation>
    </message>
    <message>
        <source>this heading is the last one already</source>
        <translation>diese Überschrift ist schon die letzte</translation>
    </message>
    <message>
        <source>this heading is the first one already</source>
        <translation>diese Überschrift ist schon die erste</translation>
    </message>
    <message>
        <source>there are {} scenes, {} are possible</source>
        <translation>es sind {} Szenen, möglich sind {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has {} bars played {} times; 1 to 256 bars and 1 to 64 times are possible</source>
        <translation>„{}“ hat {} Takte, {}-mal gespielt; möglich sind 1 bis 256 Takte und 1- bis 64-mal</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has {} moves, {} are possible</source>
        <translation>„{}“ hat {} Handgriffe, möglich sind {}</translation>
    </message>
    <message>
        <source>a move in &quot;{}&quot; goes from beat {:g} to {:g}; the scene has {:g}</source>
        <translation>ein Handgriff in „{}“ geht von Schlag {:g} bis {:g}; die Szene hat {:g}</translation>
    </message>
    <message>
        <source>is a folder, not a file</source>
        <translation>ist ein Ordner, keine Datei</translation>
    </message>
    <message>
        <source>cannot be opened: {}</source>
        <translation>kann nicht geöffnet werden: {}</translation>
    </message>
    <message>
        <source>is {} long, at most {} are read</source>
        <translation>ist {} lang, höchstens {} werden gelesen</translation>
    </message>
    <message>
        <source>cannot be read to its end</source>
        <translation>ist nicht bis zum Ende lesbar</translation>
    </message>
    <message>
        <source>is a patch, which would be lost; choose another name</source>
        <translation>ist ein Patch, der verloren ginge; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a document of Lariat, which would be lost; choose another name</source>
        <translation>ist ein Dokument von Lariat, das verloren ginge; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a sound file, which would be lost; choose another name</source>
        <translation>ist eine Klangdatei, die verloren ginge; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a MIDI file, which would be lost; choose another name</source>
        <translation>ist eine MIDI-Datei, die verloren ginge; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a PDF, which would be lost; choose another name</source>
        <translation>ist ein PDF, das verloren ginge; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a picture, which would be lost; choose another name</source>
        <translation>ist ein Bild, das verloren ginge; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a text, which would be lost; choose another name</source>
        <translation>ist ein Text, der verloren ginge; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a folder, not a file; choose another name</source>
        <translation>ist ein Ordner, keine Datei; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is a device or a pipe, not a file; choose another name</source>
        <translation>ist ein Gerät oder eine Pipe, keine Datei; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>is protected against writing; choose another name</source>
        <translation>ist schreibgeschützt; einen anderen Namen wählen</translation>
    </message>
    <message>
        <source>no name is given for the file to write</source>
        <translation>für die Datei ist kein Name angegeben</translation>
    </message>
    <message>
        <source>{}; what was there before is untouched</source>
        <translation>{}; was vorher da war, ist unberührt</translation>
    </message>
    <message>
        <source>cannot be written to its end</source>
        <translation>kann nicht bis zum Ende geschrieben werden</translation>
    </message>
    <message>
        <source>cannot be replaced</source>
        <translation>kann nicht ersetzt werden</translation>
    </message>
    <message>
        <source>expected an object, found {}</source>
        <translation>erwartet wird ein Objekt, gefunden {}</translation>
    </message>
    <message>
        <source>is missing</source>
        <translation>fehlt</translation>
    </message>
    <message>
        <source>expected a text, found {}</source>
        <translation>erwartet wird ein Text, gefunden {}</translation>
    </message>
    <message>
        <source>holds a control character</source>
        <translation>enthält ein Steuerzeichen</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a name of lower-case letters, digits and dashes</source>
        <translation>„{}“ ist kein Name aus Kleinbuchstaben, Ziffern und Strichen</translation>
    </message>
    <message>
        <source>expected a number, found {}</source>
        <translation>erwartet wird eine Zahl, gefunden {}</translation>
    </message>
    <message>
        <source>{:g} is outside {:g} to {:g}</source>
        <translation>{:g} liegt außerhalb von {:g} bis {:g}</translation>
    </message>
    <message>
        <source>{:g} is not a whole number</source>
        <translation>{:g} ist keine ganze Zahl</translation>
    </message>
    <message>
        <source>expected true or false, found {}</source>
        <translation>erwartet wird true oder false, gefunden {}</translation>
    </message>
    <message>
        <source>expected a list, found {}</source>
        <translation>erwartet wird eine Liste, gefunden {}</translation>
    </message>
    <message>
        <source>has {} entries, at most {} are allowed</source>
        <translation>hat {} Einträge, höchstens {} sind erlaubt</translation>
    </message>
    <message>
        <source>is nested more than {} levels deep</source>
        <translation>ist tiefer als {} Ebenen geschachtelt</translation>
    </message>
    <message>
        <source>an object has more than {} keys, before &quot;{}&quot;</source>
        <translation>ein Objekt hat mehr als {} Schlüssel, vor „{}“</translation>
    </message>
    <message>
        <source>is not a Lariat document: it should start with a brace</source>
        <translation>ist kein Lariat-Dokument: es sollte mit einer geschweiften Klammer beginnen</translation>
    </message>
    <message>
        <source>is not a {} document: &quot;format&quot; should be &quot;{}&quot;</source>
        <translation>ist kein Dokument der Art {}: „format“ sollte „{}“ sein</translation>
    </message>
    <message>
        <source>should be a whole number</source>
        <translation>sollte eine ganze Zahl sein</translation>
    </message>
    <message>
        <source>was written by a newer Lariat (version {}, this one reads up to {}); open it with a newer Lariat</source>
        <translation>wurde von einem neueren Lariat geschrieben (Version {}, dieses liest bis {}); mit einem neueren Lariat öffnen</translation>
    </message>
    <message>
        <source>is damaged or cut short ({})</source>
        <translation>ist beschädigt oder abgeschnitten ({})</translation>
    </message>
    <message>
        <source>is turned round: {:g} to {:g}</source>
        <translation>ist verdreht: {:g} bis {:g}</translation>
    </message>
    <message>
        <source>is zero, which lets nothing through</source>
        <translation>ist null und lässt nichts durch</translation>
    </message>
    <message>
        <source>a part needs at least one block</source>
        <translation>ein Teil braucht mindestens einen Block</translation>
    </message>
    <message>
        <source>a module needs at least one part</source>
        <translation>ein Modul braucht mindestens ein Teil</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not written post.jack</source>
        <translation>„{}“ ist nicht als pfosten.buchse geschrieben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is none of {}</source>
        <translation>„{}“ ist nichts von {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not one of left, right, foot</source>
        <translation>„{}“ ist nicht left, right oder foot</translation>
    </message>
    <message>
        <source>the move ends at beat {:g}, the scene has {:g}</source>
        <translation>der Handgriff endet bei Schlag {:g}, die Szene hat {:g}</translation>
    </message>
    <message>
        <source>has {} entries, {} are possible</source>
        <translation>hat {} Einträge, möglich sind {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is the name of another post already</source>
        <translation>„{}“ heißt schon ein anderer Pfosten</translation>
    </message>
    <message>
        <source>is the number of another cable already</source>
        <translation>ist schon die Nummer eines anderen Kabels</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not one of forward, backward, pendulum, random</source>
        <translation>„{}“ ist nicht forward, backward, pendulum oder random</translation>
    </message>
    <message>
        <source>has {} steps, 1 to {} are possible</source>
        <translation>hat {} Schritte, möglich sind 1 bis {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a message: write 0.5 on C4 100, 1 off C4, 0 cc 1 64, 0 bend -2000, 0 pressure 90, 0 clock, with @channel behind it</source>
        <translation>„{}“ ist keine Nachricht: 0.5 on C4 100, 1 off C4, 0 cc 1 64, 0 bend -2000, 0 pressure 90, 0 clock schreiben, mit @kanal dahinter</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a note from C-1 to G9</source>
        <translation>„{}“ ist keine Note von C-1 bis G9</translation>
    </message>
    <message>
        <source>has {} behind the first, {} are possible</source>
        <translation>hat {} hinter der ersten, möglich sind {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a step: write D3, D3! 0.4, - for a rest or = for a tie</source>
        <translation>„{}“ ist kein Schritt: D3, D3! 0.4, - für eine Pause oder = für eine Bindung schreiben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; should be a delay from 0 to {} per cent of the step</source>
        <translation>„{}“ sollte eine Verspätung von 0 bis {} Prozent des Schrittes sein</translation>
    </message>
    <message>
        <source>&quot;{}&quot; should be a velocity from 1 to 127</source>
        <translation>„{}“ sollte ein Anschlag von 1 bis 127 sein</translation>
    </message>
    <message>
        <source>&quot;{}&quot; should be a voltage from −10 to 10</source>
        <translation>„{}“ sollte eine Spannung von −10 bis 10 sein</translation>
    </message>
    <message>
        <source>&quot;{}&quot; should be a chance from 0 to 100 per cent</source>
        <translation>„{}“ sollte eine Wahrscheinlichkeit von 0 bis 100 Prozent sein</translation>
    </message>
    <message>
        <source>&quot;{}&quot; should be a number of strikes from 1 to 8</source>
        <translation>„{}“ sollte eine Anzahl von 1 bis 8 Anschlägen sein</translation>
    </message>
    <message>
        <source>the gate &quot;{}&quot; should lie above 0 and up to 1</source>
        <translation>das Gate „{}“ sollte über 0 und bis 1 liegen</translation>
    </message>
    <message>
        <source>there are {} steps, 1 to {} are possible</source>
        <translation>es sind {} Schritte, möglich sind 1 bis {}</translation>
    </message>
    <message>
        <source>is an empty step; a rest is written -</source>
        <translation>ist ein leerer Schritt; eine Pause schreibt man -</translation>
    </message>
    <message>
        <source>there is no step; write d3 for a note, - for a rest, = for a tie</source>
        <translation>es gibt keinen Schritt; d3 für eine Note, - für eine Pause, = für eine Bindung schreiben</translation>
    </message>
    <message>
        <source>step {}</source>
        <translation>Schritt {}</translation>
    </message>
    <message>
        <source>behind * should stand how often &quot;{}&quot; is played, 1 to {}</source>
        <translation>hinter * sollte stehen, wie oft „{}“ gespielt wird, 1 bis {}</translation>
    </message>
    <message>
        <source>has 16, 24 or 32 bits a sample, not {}</source>
        <translation>hat 16, 24 oder 32 Bit je Wert, nicht {}</translation>
    </message>
    <message>
        <source>FLAC holds 16 or 24 bits a sample; 32 need a WAV file</source>
        <translation>FLAC fasst 16 oder 24 Bit je Wert; 32 brauchen eine WAV-Datei</translation>
    </message>
    <message>
        <source>cannot be written: {}</source>
        <translation>kann nicht geschrieben werden: {}</translation>
    </message>
    <message>
        <source>is being recorded to already; choose another name, or end that recording first</source>
        <translation>wird gerade aufgenommen; einen anderen Namen wählen oder erst jene Aufnahme beenden</translation>
    </message>
    <message>
        <source>Cables</source>
        <translation>Kabel</translation>
    </message>
    <message>
        <source>Kind</source>
        <translation>Art</translation>
    </message>
    <message>
        <source>not set</source>
        <translation>nicht gesetzt</translation>
    </message>
    <message>
        <source>no clock</source>
        <translation>kein Takt</translation>
    </message>
    <message>
        <source>Key {} · {} · {} · {} cables</source>
        <translation>Tonart {} · {} · {} · {} Kabel</translation>
    </message>
    <message>
        <source>Knob</source>
        <translation>Regler</translation>
    </message>
    <message>
        <source>Value</source>
        <translation>Wert</translation>
    </message>
    <message>
        <source>Position</source>
        <translation>Stellung</translation>
    </message>
    <message>
        <source>audio</source>
        <translation>Klang</translation>
    </message>
    <message>
        <source>gate</source>
        <translation>Gate</translation>
    </message>
    <message>
        <source>pitch</source>
        <translation>Tonhöhe</translation>
    </message>
    <message>
        <source>clock</source>
        <translation>Takt</translation>
    </message>
    <message>
        <source>control</source>
        <translation>Steuerspannung</translation>
    </message>
    <message>
        <source>row {}, HP {}</source>
        <translation>Reihe {}, TE {}</translation>
    </message>
    <message>
        <source>locked</source>
        <translation>gesperrt</translation>
    </message>
    <message>
        <source>length not chosen</source>
        <translation>Länge nicht gewählt</translation>
    </message>
    <message>
        <source>track {}</source>
        <translation>Spur {}</translation>
    </message>
    <message>
        <source>rest</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>tie</source>
        <translation>Bindung</translation>
    </message>
    <message>
        <source>lane {}</source>
        <translation>Reihe {}</translation>
    </message>
    <message>
        <source>{} feeds {} behind the panel</source>
        <translation>{} speist {} hinter der Platte</translation>
    </message>
    <message>
        <source>Left</source>
        <translation>Links</translation>
    </message>
    <message>
        <source>Right</source>
        <translation>Rechts</translation>
    </message>
    <message>
        <source>peak {:.2f} V ({:.1f} dBFS), RMS {:.2f} V ({:.1f} dBu in the case), DC {:+.3f} V</source>
        <translation>Spitze {:.2f} V ({:.1f} dBFS), Effektivwert {:.2f} V ({:.1f} dBu im Gehäuse), Gleichanteil {:+.3f} V</translation>
    </message>
    <message>
        <source>Start with the monitor turned down: resonance, feedback and sync can jump 20 dB in a step.</source>
        <translation>Mit leisem Monitor beginnen: Resonanz, Rückkopplung und Sync können mit einem Mal um 20 dB springen.</translation>
    </message>
    <message>
        <source>DC and subsonic signals heat loudspeakers; watch the DC figure on this sheet.</source>
        <translation>Gleichspannung und Unhörbar-Tiefes erhitzen Lautsprecher; auf den Gleichanteil dieses Blattes achten.</translation>
    </message>
    <message>
        <source>A case is 10 to 20 dB hotter than line level: use an output stage before a line, phone or instrument input.</source>
        <translation>Ein Gehäuse ist 10 bis 20 dB lauter als Linienpegel: vor Linien-, Kopfhörer- oder Instrumenteneingänge gehört eine Ausgangsstufe.</translation>
    </message>
    <message>
        <source>Switch the case off before plugging a module&apos;s ribbon; a reversed ribbon destroys modules. Leave mains work to qualified people and local code.</source>
        <translation>Das Gehäuse ausschalten, bevor ein Modulkabel gesteckt wird; ein verdrehtes Flachband zerstört Module. Arbeiten am Stromnetz gehören Fachleuten und folgen den örtlichen Vorschriften.</translation>
    </message>
    <message>
        <source>the run was cancelled</source>
        <translation>der Lauf wurde abgebrochen</translation>
    </message>
    <message>
        <source>there is no clock with a tempo in this patch</source>
        <translation>in diesem Patch gibt es keinen Taktgeber mit Tempo</translation>
    </message>
    <message>
        <source>{} is no contour</source>
        <translation>{} ist keine Hüllkurve</translation>
    </message>
    <message>
        <source>{} has no knob for its decay</source>
        <translation>{} hat keinen Regler für das Abklingen</translation>
    </message>
    <message>
        <source>{} has no knob for its release</source>
        <translation>{} hat keinen Regler für das Ausklingen</translation>
    </message>
    <message>
        <source>{} of {} is locked</source>
        <translation>{} von {} ist gesperrt</translation>
    </message>
    <message>
        <source>not even the shortest decay of {} reaches sustain: its attack is longer than the gate</source>
        <translation>nicht einmal das kürzeste Abklingen von {} erreicht den Haltepegel: der Anstieg ist länger als das Gate</translation>
    </message>
    <message>
        <source>not even the shortest {} of {} ends before the next note: what comes before it is too long</source>
        <translation>nicht einmal das kürzeste {} von {} endet vor der nächsten Note: was davor kommt, ist zu lang</translation>
    </message>
    <message>
        <source>nothing has been recorded into this slot yet</source>
        <translation>in diesen Speicherplatz wurde noch nichts aufgenommen</translation>
    </message>
    <message>
        <source>nothing has been recorded into this slot since it was written</source>
        <translation>in diesen Speicherplatz wurde seit dem Schreiben nichts aufgenommen</translation>
    </message>
    <message>
        <source>{} has no sequence that records; a quantizer has one</source>
        <translation>{} hat keine Folge, die aufnimmt; ein Quantisierer hat eine</translation>
    </message>
    <message>
        <source>{} is not heard, so it does not run; tie one of its outputs</source>
        <translation>{} ist nicht zu hören, also läuft es nicht; einen seiner Ausgänge verbinden</translation>
    </message>
    <message>
        <source>{} variations are written, this module has {}</source>
        <translation>{} Variationen sind geschrieben, dieses Modul hat {}</translation>
    </message>
    <message>
        <source>{} tracks are written, this module has {}</source>
        <translation>{} Tonspuren sind geschrieben, dieses Modul hat {}</translation>
    </message>
    <message>
        <source>{} lanes are written, this module has {}</source>
        <translation>{} Schlagspuren sind geschrieben, dieses Modul hat {}</translation>
    </message>
    <message>
        <source>write what is to be reckoned: 112 bpm, 62 ms, 440 hz, d3, 0.35 v, 3/2, d4 / 4 5 6, 2 v at 38 %, 7 st from 5 v, +4 dbu, or lengths such as 5 7 16</source>
        <translation>schreiben, was gerechnet werden soll: 112 bpm, 62 ms, 440 hz, d3, 0.35 v, 3/2, d4 / 4 5 6, 2 v at 38 %, 7 st from 5 v, +4 dbu oder Längen wie 5 7 16</translation>
    </message>
    <message>
        <source>&quot;{}&quot; cannot be reckoned; write 112 bpm, 62 ms, 440 hz, d3, 0.35 v, 3/2, d4 / 4 5 6, 2 v at 38 %, 7 st from 5 v, +4 dbu, or lengths such as 5 7 16</source>
        <translation>„{}“ lässt sich nicht rechnen; 112 bpm, 62 ms, 440 hz, d3, 0.35 v, 3/2, d4 / 4 5 6, 2 v at 38 %, 7 st from 5 v, +4 dbu oder Längen wie 5 7 16 schreiben</translation>
    </message>
    <message>
        <source>nothing steps {}; tie a clock to its clock input</source>
        <translation>nichts schaltet {} weiter; einen Takt mit dem Takteingang verbinden</translation>
    </message>
    <message>
        <source>no clock pulse comes to {}</source>
        <translation>zu {} kommt kein Taktpuls</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no post with steps in this patch</source>
        <translation>„{}“ ist in diesem Patch kein Pfosten mit Schritten</translation>
    </message>
    <message>
        <source>&quot;{}&quot; begins with no post of this patch; there are {}</source>
        <translation>„{}“ beginnt mit keinem Pfosten dieses Patches; es gibt {}</translation>
    </message>
    <message>
        <source>{} has no knob &quot;{}&quot;; it has {}</source>
        <translation>{} hat keinen Regler „{}“, sondern {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no setting of {} of {}: it takes {}</source>
        <translation>„{}“ ist keine Stellung von {} von {}: möglich ist {}</translation>
    </message>
    <message>
        <source>a move is written: left: filter cutoff 310 Hz &gt; 1.2 kHz, bar 3 to 7</source>
        <translation>ein Handgriff wird so geschrieben: left: filter cutoff 310 Hz &gt; 1.2 kHz, bar 3 to 7</translation>
    </message>
    <message>
        <source>&quot;bar {}&quot; is no time of {}: it goes from bar 1 to bar {:.0f}, with beats as 5.3</source>
        <translation>„bar {}“ ist keine Zeit von {}: es geht von Takt 1 bis Takt {:.0f}, mit Schlägen wie 5.3</translation>
    </message>
    <message>
        <source>line {}</source>
        <translation>Zeile {}</translation>
    </message>
    <message>
        <source>the line is longer than 300 characters</source>
        <translation>die Zeile ist länger als 300 Zeichen</translation>
    </message>
    <message>
        <source>there are more than {} scenes</source>
        <translation>es sind mehr als {} Szenen</translation>
    </message>
    <message>
        <source>a scene is written &quot;Intro: 8 bars&quot; or &quot;Swell: 16 bars x2&quot;, with 1 to 256 bars, 1 to 64 times</source>
        <translation>eine Szene schreibt man „Intro: 8 bars“ oder „Swell: 16 bars x2“, mit 1 bis 256 Takten, 1- bis 64-mal</translation>
    </message>
    <message>
        <source>the first line should begin a scene, as in &quot;Intro: 8 bars&quot;</source>
        <translation>die erste Zeile sollte eine Szene beginnen, wie in „Intro: 8 bars“</translation>
    </message>
    <message>
        <source>a scene has {} moves at most</source>
        <translation>eine Szene hat höchstens {} Handgriffe</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has no variations to chain</source>
        <translation>„{}“ hat keine Variationen, die man aneinanderreihen kann</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no link of a chain: write A to {}, as in A A B4 C2x2</source>
        <translation>„{}“ ist kein Glied einer Kette: A bis {} schreiben, wie in A A B4 C2x2</translation>
    </message>
    <message>
        <source>write the variations in their order, as in A A B4 C2x2</source>
        <translation>die Variationen in ihrer Reihenfolge schreiben, wie in A A B4 C2x2</translation>
    </message>
    <message>
        <source>line {} should be the number of notes, 1 to 1000</source>
        <translation>Zeile {} sollte die Anzahl der Noten sein, 1 bis 1000</translation>
    </message>
    <message>
        <source>line {}: &quot;{}&quot; is neither cents with a point nor a ratio such as 3/2</source>
        <translation>Zeile {}: „{}“ ist weder Cents mit Punkt noch ein Verhältnis wie 3/2</translation>
    </message>
    <message>
        <source>it says {} notes and gives {}</source>
        <translation>es nennt {} Noten und gibt {}</translation>
    </message>
    <message>
        <source>its period is shorter than a cent</source>
        <translation>die Periode ist kürzer als ein Cent</translation>
    </message>
    <message>
        <source>&quot;{}&quot; should be a number from {} to {}</source>
        <translation>„{}“ sollte eine Zahl von {} bis {} sein</translation>
    </message>
    <message>
        <source>leaves all {} notes where they are</source>
        <translation>lässt alle {} Noten, wo sie sind</translation>
    </message>
    <message>
        <source>moves {} of {} notes, by {:.0f} ct at most</source>
        <translation>verschiebt {} von {} Noten, höchstens um {:.0f} ct</translation>
    </message>
    <message>
        <source>{} steps that differ fall on the same notes</source>
        <translation>{} verschiedene Schritte fallen auf dieselben Noten</translation>
    </message>
    <message>
        <source>{} pulses, {} strikes</source>
        <translation>{} Impulse, {} Anschläge</translation>
    </message>
    <message>
        <source>The end of a hard pulse strikes {} as its beginning does. A soft fall strikes once.</source>
        <translation>Das Ende eines harten Impulses schlägt {} an wie sein Anfang. Eine weiche Flanke schlägt einmal an.</translation>
    </message>
    <message>
        <source>names no switch</source>
        <translation>nennt keinen Schalter</translation>
    </message>
    <message>
        <source>is a button, which stands in no patch; take it out</source>
        <translation>ist ein Taster, der in keinem Patch steht; bitte herausnehmen</translation>
    </message>
    <message>
        <source>looking was cancelled</source>
        <translation>das Suchen wurde abgebrochen</translation>
    </message>
    <message>
        <source>{} is closed: nothing opens it, neither its own knob nor a cable.</source>
        <translation>{} ist zu: nichts öffnet ihn, weder der eigene Knopf noch ein Kabel.</translation>
    </message>
    <message>
        <source>{} of {} is {}, so this way is shut.</source>
        <translation>{} an {} steht auf {}, damit ist dieser Weg zu.</translation>
    </message>
    <message>
        <source>{} of {} stands at {}: nothing comes through.</source>
        <translation>{} an {} steht auf {}: nichts kommt durch.</translation>
    </message>
    <message>
        <source>{} lets nothing of the sound through as its knobs stand.</source>
        <translation>{} lässt, so wie die Knöpfe stehen, nichts vom Klang durch.</translation>
    </message>
    <message>
        <source>{:.1f}…{:+.1f} V arrive</source>
        <translation>{:.1f}…{:+.1f} V kommen an</translation>
    </message>
    <message>
        <source>{} of {} waits for a pulse, and what comes there never goes up and down again.</source>
        <translation>{} an {} wartet auf einen Impuls, und was dort ankommt, geht nie hinauf und wieder hinunter.</translation>
    </message>
    <message>
        <source>{} stands still: nothing is in its {}.</source>
        <translation>{} steht still: in {} steckt nichts.</translation>
    </message>
    <message>
        <source>Nothing is in the {} of {}, so it never starts.</source>
        <translation>In {} an {} steckt nichts, also beginnt es nie.</translation>
    </message>
    <message>
        <source>0.0 V go in</source>
        <translation>0,0 V gehen hinein</translation>
    </message>
    <message>
        <source>Nothing is in the {} of {}, so nothing can come out.</source>
        <translation>In {} an {} steckt nichts, also kann nichts herauskommen.</translation>
    </message>
    <message>
        <source>{} gives nothing as its knobs stand.</source>
        <translation>{} gibt, so wie die Knöpfe stehen, nichts von sich.</translation>
    </message>
    <message>
        <source>{} is driven, but nothing comes out of this jack.</source>
        <translation>{} wird angetrieben, aber aus dieser Buchse kommt nichts.</translation>
    </message>
    <message>
        <source>{} is there, but its pattern is empty.</source>
        <translation>{} ist da, aber das Muster ist leer.</translation>
    </message>
    <message>
        <source>no recording</source>
        <translation>keine Aufnahme</translation>
    </message>
    <message>
        <source>{} has no recording to play. Choose one at its post.</source>
        <translation>{} hat keine Aufnahme zu spielen. Wähle eine an seinem Pfosten.</translation>
    </message>
    <message>
        <source>nothing is played</source>
        <translation>nichts wird gespielt</translation>
    </message>
    <message>
        <source>{} waits for hands: nobody plays it, and nothing is recorded.</source>
        <translation>{} wartet auf Hände: niemand spielt, und nichts ist aufgenommen.</translation>
    </message>
    <message>
        <source>Write four hits into lane {}</source>
        <translation>Vier Schläge in Schlagspur {} schreiben</translation>
    </message>
    <message>
        <source>Write four notes into track {}</source>
        <translation>Vier Noten in Spur {} schreiben</translation>
    </message>
    <message>
        <source>{} is not here</source>
        <translation>{} ist nicht da</translation>
    </message>
    <message>
        <source>The case of this patch is not among those that were found, or could not be read. What is free in it, and whether all of this fits, is not known.</source>
        <translation>Das Gehäuse dieses Patches ist nicht unter den gefundenen, oder es war nicht zu lesen. Was darin frei ist und ob all dies hineinpasst, ist unbekannt.</translation>
    </message>
    <message>
        <source>Turn its {} levels down alike</source>
        <translation>Alle {} Pegel gleichmäßig zurückdrehen</translation>
    </message>
    <message>
        <source>Take cable {} out</source>
        <translation>Kabel {} herausziehen</translation>
    </message>
    <message>
        <source>0 of {} waves that it moves are heard</source>
        <translation>0 von {} Wellen, die es bewegt, werden gehört</translation>
    </message>
    <message>
        <source>What is in the {} of {} moves a wave to which nobody listens.</source>
        <translation>Was in {} an {} steckt, bewegt eine Welle, auf die niemand hört.</translation>
    </message>
    <message>
        <source>{} pulses in {:.0f} s</source>
        <translation>{} Impulse in {:.0f} s</translation>
    </message>
    <message>
        <source>{:.1f}…{:+.1f} V</source>
        <translation>{:.1f}…{:+.1f} V</translation>
    </message>
    <message>
        <source>{:.1f} V, unmoved</source>
        <translation>{:.1f} V, unbewegt</translation>
    </message>
    <message>
        <source>{} gives {:.0f} % of what it plays back to itself, so it never dies away.</source>
        <translation>{} gibt sich {:.0f} % von dem zurück, was es spielt, und verklingt darum nie.</translation>
    </message>
    <message>
        <source>{} of {} is on: what it holds goes on for ever.</source>
        <translation>{} an {} ist an: was es hält, klingt für immer weiter.</translation>
    </message>
    <message>
        <source>{} of {} is high for good, and holds what sounds.</source>
        <translation>{} an {} liegt dauernd hoch und hält, was klingt.</translation>
    </message>
    <message>
        <source>It drones: nothing between {} and the way out closes, so nothing tells it to stop.</source>
        <translation>Es brummt durch: nichts zwischen {} und dem Ausgang schließt, also sagt ihm nichts, dass es aufhören soll.</translation>
    </message>
    <message>
        <source>It never closes: {} of {} stands at {} and lets sound through between the notes.</source>
        <translation>Es schließt nie: {} an {} steht auf {} und lässt zwischen den Noten Klang durch.</translation>
    </message>
    <message>
        <source>{} is let go between the notes and does not come down: {:.1f} V are left.</source>
        <translation>{} wird zwischen den Noten losgelassen und kommt nicht herunter: {:.1f} V bleiben.</translation>
    </message>
    <message>
        <source>{} lifts what opens {}: it never falls below {:.1f} V.</source>
        <translation>{} hebt an, was {} öffnet: es fällt nie unter {:.1f} V.</translation>
    </message>
    <message>
        <source>What opens {} comes from {} and never falls below {:.1f} V, so it never closes.</source>
        <translation>Was {} öffnet, kommt von {} und fällt nie unter {:.1f} V, darum schließt es nie.</translation>
    </message>
    <message>
        <source>{:.1f} V at every gate</source>
        <translation>{:.1f} V bei jedem Gate</translation>
    </message>
    <message>
        <source>A gate is plugged in where {} wants its pitch: it jumps to another note and back.</source>
        <translation>Ein Gate steckt, wo {} die Tonhöhe will: es springt auf eine andere Note und zurück.</translation>
    </message>
    <message>
        <source>A pitch is plugged in where {} wants a gate: only notes high enough would open it.</source>
        <translation>Eine Tonhöhe steckt, wo {} ein Gate will: nur Noten, die hoch genug sind, würden öffnen.</translation>
    </message>
    <message>
        <source>{:.1f}…{:+.1f} V, never below</source>
        <translation>{:.1f}…{:+.1f} V, nie darunter</translation>
    </message>
    <message>
        <source>What is in the {} of {} stays high all the time: it opens once and is never let go.</source>
        <translation>Was in {} an {} steckt, bleibt immer hoch: es öffnet einmal und lässt nie los.</translation>
    </message>
    <message>
        <source>{} resets for {} clock pulses</source>
        <translation>{} Resets auf {} Taktimpulse</translation>
    </message>
    <message>
        <source>{} is sent back to its start at every step, so it never leaves the first one.</source>
        <translation>{} wird bei jedem Schritt an den Anfang geschickt und kommt nie vom ersten weg.</translation>
    </message>
    <message>
        <source>Let cables {} and {} change places</source>
        <translation>Kabel {} und {} vertauschen</translation>
    </message>
    <message>
        <source>The tune passes {}, which turns it over: what goes up comes down.</source>
        <translation>Die Melodie geht durch {} und wird umgedreht: was steigt, fällt.</translation>
    </message>
    <message>
        <source>every note arrives {:+.0f} cents off</source>
        <translation>jede Note kommt um {:+.0f} Cent daneben an</translation>
    </message>
    <message>
        <source>Something is added to the tune on its way through {}, and it is no whole semitone.</source>
        <translation>Auf dem Weg durch {} kommt etwas zur Melodie hinzu, und es ist kein ganzer Halbton.</translation>
    </message>
    <message>
        <source>{} of {} notes end {:.0f} cents short or more</source>
        <translation>{} von {} Noten enden {:.0f} Cent oder mehr vor dem Ziel</translation>
    </message>
    <message>
        <source>The tune glides through {} more slowly than its notes follow one another.</source>
        <translation>Die Melodie gleitet durch {} langsamer, als ihre Noten aufeinander folgen.</translation>
    </message>
    <message>
        <source>the pitch stays at {:.2f} V</source>
        <translation>die Tonhöhe bleibt bei {:.2f} V</translation>
    </message>
    <message>
        <source>{} plays one note: nothing is written in track {} of {}, where its pitch comes from.</source>
        <translation>{} spielt einen Ton: in Spur {} von {}, woher die Tonhöhe kommt, steht nichts.</translation>
    </message>
    <message>
        <source>0 of the notes of track {} are heard</source>
        <translation>0 der Noten von Spur {} sind zu hören</translation>
    </message>
    <message>
        <source>{} plays one note: it is opened by track {} of {}, but nothing brings it that tune.</source>
        <translation>{} spielt einen Ton: Spur {} von {} öffnet ihn, aber nichts bringt ihm diese Melodie.</translation>
    </message>
    <message>
        <source>{} gives nothing at {}: lane {} has no hit in it.</source>
        <translation>{} gibt an {} nichts von sich: in Schlagspur {} steht kein Schlag.</translation>
    </message>
    <message>
        <source>{} gives nothing at {}: track {} has no note in it.</source>
        <translation>{} gibt an {} nichts von sich: in Spur {} steht keine Note.</translation>
    </message>
    <message>
        <source>0.0 V come round</source>
        <translation>0,0 V kommen herum</translation>
    </message>
    <message>
        <source>What comes into {} comes from itself: nothing feeds the ring.</source>
        <translation>Was in {} hineingeht, kommt von ihm selbst: nichts speist den Ring.</translation>
    </message>
    <message>
        <source>a case has at most {} modules</source>
        <translation>ein Gehäuse hat höchstens {} Module</translation>
    </message>
    <message>
        <source>there is no case to plan for</source>
        <translation>es gibt kein Gehäuse, für das geplant werden könnte</translation>
    </message>
    <message>
        <source>{}: there is no function &quot;{}&quot;</source>
        <translation>{}: es gibt keine Funktion „{}“</translation>
    </message>
    <message>
        <source>{}: a {} has no output &quot;{}&quot;</source>
        <translation>{}: {} hat keinen Ausgang „{}“</translation>
    </message>
    <message>
        <source>{}: a {} has no input &quot;{}&quot;</source>
        <translation>{}: {} hat keinen Eingang „{}“</translation>
    </message>
    <message>
        <source>nothing is tied to a way out yet: tie that first</source>
        <translation>noch führt nichts zu einem Ausgang: zuerst das verbinden</translation>
    </message>
    <message>
        <source>{}, {}</source>
        <translation>{}, {}</translation>
    </message>
    <message>
        <source>The dead link is cable {}, {} to {}.</source>
        <translation>Das tote Glied ist Kabel {}, {} nach {}.</translation>
    </message>
    <message>
        <source>Push both plugs in until they click, and see that they are in these two jacks.</source>
        <translation>Beide Stecker hineindrücken, bis sie einrasten, und nachsehen, ob sie in diesen beiden Buchsen sind.</translation>
    </message>
    <message>
        <source>Take another cable.</source>
        <translation>Ein anderes Kabel nehmen.</translation>
    </message>
    <message>
        <source>Turn up the level that {} has for this input.</source>
        <translation>Den Pegel aufdrehen, den {} für diesen Eingang hat.</translation>
    </message>
    <message>
        <source>The dead link is {}: what it gets is right, what it gives is not.</source>
        <translation>Das tote Glied ist {}: was es bekommt, stimmt, was es gibt, nicht.</translation>
    </message>
    <message>
        <source>Push the plug of cable {} in at {}, and see that it is that jack.</source>
        <translation>Den Stecker von Kabel {} bei {} hineindrücken und nachsehen, ob es diese Buchse ist.</translation>
    </message>
    <message>
        <source>Set {} to {}.</source>
        <translation>{} auf {} stellen.</translation>
    </message>
    <message>
        <source>Set {} to {}, {}.</source>
        <translation>{} auf {} stellen, {}.</translation>
    </message>
    <message>
        <source>Play it by hand if it has a button, and look whether it gets power.</source>
        <translation>Von Hand spielen, wenn es einen Taster hat, und nachsehen, ob es Strom bekommt.</translation>
    </message>
    <message>
        <source>an expression has {} characters; {} are allowed</source>
        <translation>ein Ausdruck hat {} Zeichen; {} sind erlaubt</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no finite number here; does it divide by zero?</source>
        <translation>„{}“ ist hier keine endliche Zahl; wird durch null geteilt?</translation>
    </message>
    <message>
        <source>&quot;{}&quot; cannot be worked out: {}</source>
        <translation>„{}“ lässt sich nicht ausrechnen: {}</translation>
    </message>
    <message>
        <source>{} need each other in a circle: give one of them a value of its own</source>
        <translation>{} brauchen einander im Kreis: einem davon einen eigenen Wert geben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no pitch: write a note such as D1, or a frequency</source>
        <translation>„{}“ ist keine Tonhöhe: eine Note wie D1 oder eine Frequenz schreiben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; cannot be read; {} is expected</source>
        <translation>„{}“ ist nicht lesbar; erwartet wird {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no tolerance: write one above zero, as &quot;5 cents&quot; or &quot;3 %&quot;</source>
        <translation>„{}“ ist keine Toleranz: eine über null schreiben, etwa „5 cents“ oder „3 %“</translation>
    </message>
    <message>
        <source>&quot;{}&quot; cannot be measured; {} can</source>
        <translation>„{}“ lässt sich nicht messen; messbar sind {}</translation>
    </message>
    <message>
        <source>there is no jack {} to measure at</source>
        <translation>es gibt keine Buchse {}, an der gemessen werden könnte</translation>
    </message>
    <message>
        <source>stopped</source>
        <translation>angehalten</translation>
    </message>
    <message>
        <source>there is no voice &quot;{}&quot; in this patch</source>
        <translation>in diesem Patch gibt es keine Stimme „{}“</translation>
    </message>
    <message>
        <source>{}: &quot;{}&quot; is nothing that {} can stand at</source>
        <translation>{}: auf „{}“ kann {} nicht stehen</translation>
    </message>
    <message>
        <source>{} stops at {}; {} was wished</source>
        <translation>{} endet bei {}; gewünscht war {}</translation>
    </message>
    <message>
        <source>no cable of {:.0f} cm is left for {} to {}</source>
        <translation>kein Kabel von {:.0f} cm ist übrig für {} nach {}</translation>
    </message>
    <message>
        <source>somebody has to play every role first</source>
        <translation>zuerst muss jede Rolle jemand spielen</translation>
    </message>
    <message>
        <source>nothing in this case satisfies all of it</source>
        <translation>in diesem Gehäuse erfüllt nichts alles davon</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not a name of lower-case letters, digits and _</source>
        <translation>„{}“ ist kein Name aus Kleinbuchstaben, Ziffern und _</translation>
    </message>
    <message>
        <source>a recipe needs at least one role</source>
        <translation>ein Rezept braucht mindestens eine Rolle</translation>
    </message>
    <message>
        <source>a recipe has at most {} cables</source>
        <translation>ein Rezept hat höchstens {} Kabel</translation>
    </message>
    <message>
        <source>there is no role &quot;{}&quot;</source>
        <translation>es gibt keine Rolle „{}“</translation>
    </message>
    <message>
        <source>names nothing to choose</source>
        <translation>nennt nichts zum Auswählen</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is there already</source>
        <translation>„{}“ gibt es schon</translation>
    </message>
    <message>
        <source>a recipe has at most {} roles</source>
        <translation>ein Rezept hat höchstens {} Rollen</translation>
    </message>
    <message>
        <source>there is no wish &quot;{}&quot;</source>
        <translation>es gibt keinen Wunsch „{}“</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no choice of {}</source>
        <translation>„{}“ steht bei {} nicht zur Wahl</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not written role.word</source>
        <translation>„{}“ ist nicht als Rolle.Wort geschrieben</translation>
    </message>
    <message>
        <source>{}: &quot;{}&quot; is none of {}</source>
        <translation>{}: „{}“ ist keines von {}</translation>
    </message>
    <message>
        <source>{}: &quot;{}&quot; is no note such as D1</source>
        <translation>{}: „{}“ ist keine Note wie D1</translation>
    </message>
    <message>
        <source>{}: &quot;{}&quot; cannot be read; {} is expected</source>
        <translation>{}: „{}“ ist nicht lesbar; erwartet wird {}</translation>
    </message>
    <message>
        <source>{}: {} is outside {} to {}</source>
        <translation>{}: {} liegt außerhalb von {} bis {}</translation>
    </message>
    <message>
        <source>{} has no wish &quot;{}&quot;</source>
        <translation>{} hat keinen Wunsch „{}“</translation>
    </message>
    <message>
        <source>there is nothing to measure: say what is wanted</source>
        <translation>es gibt nichts zu messen: sagen, was gewünscht ist</translation>
    </message>
    <message>
        <source>{} knobs are too many to be found at once; {} are allowed</source>
        <translation>{} Regler sind zu viele auf einmal; {} sind erlaubt</translation>
    </message>
    <message>
        <source>{}: say how far off is still good</source>
        <translation>{}: sagen, wie weit daneben noch gut ist</translation>
    </message>
    <message>
        <source>there is no knob {}.{}</source>
        <translation>es gibt keinen Regler {}.{}</translation>
    </message>
    <message>
        <source>{} of {} is no knob that can be turned bit by bit</source>
        <translation>{} von {} lässt sich nicht stufenlos drehen</translation>
    </message>
    <message>
        <source>{} of {} is locked: unlock it first</source>
        <translation>{} von {} ist gesperrt: zuerst entsperren</translation>
    </message>
    <message>
        <source>{}: a window from {:g} to {:g} s is none</source>
        <translation>{}: ein Fenster von {:g} bis {:g} s ist keines</translation>
    </message>
    <message>
        <source>{} gives way: in {} what went through it goes straight on</source>
        <translation>{} macht Platz: in {} geht gerade weiter, was hindurchging</translation>
    </message>
    <message>
        <source>{} gives way: {} has to do without it</source>
        <translation>{} macht Platz: {} muss ohne auskommen</translation>
    </message>
    <message>
        <source>instead of {}: it goes, and its parts play this</source>
        <translation>statt {}: diese Stimme geht, und ihre Teile spielen das hier</translation>
    </message>
    <message>
        <source>one {} for both: &quot;{}&quot; does the work of &quot;{}&quot; too, under one set of knobs</source>
        <translation>{} einmal für beide: „{}“ tut auch die Arbeit von „{}“, mit denselben Reglern</translation>
    </message>
    <message>
        <source>borrow a {}: {} ({} HP) has one</source>
        <translation>{} leihen: {} ({} TE) hat das</translation>
    </message>
    <message>
        <source>there is no module &quot;{}&quot; in this case</source>
        <translation>in diesem Gehäuse gibt es kein Modul „{}“</translation>
    </message>
    <message>
        <source>a case needs a name with letters or figures in it</source>
        <translation>ein Gehäuse braucht einen Namen mit Buchstaben oder Ziffern</translation>
    </message>
    <message>
        <source>{} rows are not between 1 and {}</source>
        <translation>{} Reihen liegen nicht zwischen 1 und {}</translation>
    </message>
    <message>
        <source>{} HP are not between 4 and {}</source>
        <translation>{} TE liegen nicht zwischen 4 und {}</translation>
    </message>
    <message>
        <source>there is no row {}: this case has {}</source>
        <translation>es gibt keine Reihe {}: dieses Gehäuse hat {}</translation>
    </message>
    <message>
        <source>{} would stick out of row {}: it is {} HP wide</source>
        <translation>{} stünde über Reihe {} hinaus: es ist {} TE breit</translation>
    </message>
    <message>
        <source>{} stands there already: move it first, or choose another place</source>
        <translation>dort steht schon {}: zuerst verschieben oder einen anderen Platz wählen</translation>
    </message>
    <message>
        <source>it lies in the bag: put it into a row first</source>
        <translation>es liegt in der Tasche: zuerst in eine Reihe setzen</translation>
    </message>
    <message>
        <source>there is no room on that side</source>
        <translation>auf dieser Seite ist kein Platz</translation>
    </message>
    <message>
        <source>{} cm are not between 1 and 1000</source>
        <translation>{} cm liegen nicht zwischen 1 und 1000</translation>
    </message>
    <message>
        <source>cables need a colour, to be told from others</source>
        <translation>Kabel brauchen eine Farbe, um sie zu unterscheiden</translation>
    </message>
    <message>
        <source>{} cables are not between 0 and 10000</source>
        <translation>{} Kabel liegen nicht zwischen 0 und 10000</translation>
    </message>
    <message>
        <source>{} would have no place any more: move it first</source>
        <translation>{} hätte keinen Platz mehr: zuerst verschieben</translation>
    </message>
    <message>
        <source>there is no folder of your own to keep it in: set HOME</source>
        <translation>es gibt keinen eigenen Ordner dafür: HOME setzen</translation>
    </message>
    <message>
        <source>somebody has to play it</source>
        <translation>jemand muss es spielen</translation>
    </message>
    <message>
        <source>VCA</source>
        <translation>VCA</translation>
    </message>
    <message>
        <source>a low-pass gate in its VCA mode; its lamp closes slowly, so short sounds ring on</source>
        <translation>ein Low-Pass-Gate als VCA; seine Lampe schließt langsam, kurze Klänge klingen nach</translation>
    </message>
    <message>
        <source>a ring modulator with the contour at y: full at 5 V, no level of its own</source>
        <translation>ein Ringmodulator mit der Hüllkurve an y: voll bei 5 V, ohne eigenen Pegel</translation>
    </message>
    <message>
        <source>a mixer channel under its level CV; the sound leaves through the mixer&apos;s own way out</source>
        <translation>ein Mischerkanal unter seiner Pegel-CV; der Klang geht durch den Ausgang des Mischers hinaus</translation>
    </message>
    <message>
        <source>Contour</source>
        <translation>Hüllkurve</translation>
    </message>
    <message>
        <source>a function generator struck once: rise and fall, no sustain</source>
        <translation>ein Funktionsgenerator, einmal angestoßen: Anstieg und Abfall, kein Halten</translation>
    </message>
    <message>
        <source>a slew over the gate: it rises while the gate is open and falls behind it</source>
        <translation>ein Slew über dem Gate: es steigt, solange das Gate offen ist, und fällt danach</translation>
    </message>
    <message>
        <source>VCO</source>
        <translation>VCO</translation>
    </message>
    <message>
        <source>a filter that sings by itself at full resonance: a sine that tracks</source>
        <translation>ein Filter, das bei voller Resonanz von selbst singt: ein Sinus, der folgt</translation>
    </message>
    <message>
        <source>an LFO run fast: it keeps one pitch up to 400 Hz and has no tune of its own</source>
        <translation>ein schnell laufender LFO: er hält eine Tonhöhe bis 400 Hz und lässt sich nicht stimmen</translation>
    </message>
    <message>
        <source>LFO</source>
        <translation>LFO</translation>
    </message>
    <message>
        <source>a cycling function generator: it goes from 0 to 8 V instead of ±5 V</source>
        <translation>ein kreisender Funktionsgenerator: er geht von 0 bis 8 V statt ±5 V</translation>
    </message>
    <message>
        <source>an oscillator in its slow range</source>
        <translation>ein Oszillator in seinem langsamen Bereich</translation>
    </message>
    <message>
        <source>smooth random instead of a wave that repeats</source>
        <translation>weicher Zufall statt einer Welle, die sich wiederholt</translation>
    </message>
    <message>
        <source>Filter</source>
        <translation>Filter</translation>
    </message>
    <message>
        <source>a low-pass gate in its low-pass mode: no tracking, and its lamp lags</source>
        <translation>ein Low-Pass-Gate als Tiefpass: ohne Tracking, und seine Lampe ist träge</translation>
    </message>
    <message>
        <source>Sequencer track</source>
        <translation>Sequenzerspur</translation>
    </message>
    <message>
        <source>Drum lane</source>
        <translation>Schlagreihe</translation>
    </message>
    <message>
        <source>the gates of a track of notes instead of a lane</source>
        <translation>die Gates einer Notenspur statt einer Schlagreihe</translation>
    </message>
    <message>
        <source>a trigger pattern: hits by fill and turn instead of a written line</source>
        <translation>ein Triggermuster: Schläge nach Füllung und Drehung statt einer geschriebenen Zeile</translation>
    </message>
    <message>
        <source>Step sequencer</source>
        <translation>Schrittsequenzer</translation>
    </message>
    <message>
        <source>Clock</source>
        <translation>Taktgeber</translation>
    </message>
    <message>
        <source>an LFO&apos;s square as the clock of sixteenths</source>
        <translation>das Rechteck eines LFO als Takt in Sechzehnteln</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>MIDI keys over a converter</source>
        <translation>MIDI-Tasten über einen Wandler</translation>
    </message>
    <message>
        <source>Way out</source>
        <translation>Ausgang</translation>
    </message>
    <message>
        <source>Mixer channel</source>
        <translation>Mischerkanal</translation>
    </message>
    <message>
        <source>Attenuverter</source>
        <translation>Attenuverter</translation>
    </message>
    <message>
        <source>a VCA as an attenuator: it turns down, not over</source>
        <translation>ein VCA als Abschwächer: er schwächt, kehrt aber nicht um</translation>
    </message>
    <message>
        <source>a mixer channel as an attenuator</source>
        <translation>ein Mischerkanal als Abschwächer</translation>
    </message>
    <message>
        <source>Noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>Random</source>
        <translation>Zufall</translation>
    </message>
    <message>
        <source>a shift register: steps of 0 to 5 V</source>
        <translation>ein Schieberegister: Stufen von 0 bis 5 V</translation>
    </message>
    <message>
        <source>Mult</source>
        <translation>Multiple</translation>
    </message>
    <message>
        <source>a passive mult: each plug takes about 1 %</source>
        <translation>ein passives Multiple: jeder Stecker nimmt etwa 1 %</translation>
    </message>
    <message>
        <source>Low-pass gate</source>
        <translation>Low-Pass-Gate</translation>
    </message>
    <message>
        <source>Function generator</source>
        <translation>Funktionsgenerator</translation>
    </message>
    <message>
        <source>Slew</source>
        <translation>Slew</translation>
    </message>
    <message>
        <source>Sample and hold</source>
        <translation>Abtasten und Halten</translation>
    </message>
    <message>
        <source>Quantizer</source>
        <translation>Quantisierer</translation>
    </message>
    <message>
        <source>Detector</source>
        <translation>Detektor</translation>
    </message>
    <message>
        <source>Comparator</source>
        <translation>Komparator</translation>
    </message>
    <message>
        <source>Logic</source>
        <translation>Logik</translation>
    </message>
    <message>
        <source>Ring modulator</source>
        <translation>Ringmodulator</translation>
    </message>
    <message>
        <source>a VCA as a ring modulator: the carrier is heard too</source>
        <translation>ein VCA als Ringmodulator: der Träger ist mit zu hören</translation>
    </message>
    <message>
        <source>Clock divider</source>
        <translation>Taktteiler</translation>
    </message>
    <message>
        <source>Clock multiplier</source>
        <translation>Taktvervielfacher</translation>
    </message>
    <message>
        <source>Sequential switch</source>
        <translation>Schrittschalter</translation>
    </message>
    <message>
        <source>Adder</source>
        <translation>Addierer</translation>
    </message>
    <message>
        <source>Wavefolder</source>
        <translation>Wellenfalter</translation>
    </message>
    <message>
        <source>Drive</source>
        <translation>Verzerrer</translation>
    </message>
    <message>
        <source>a folder instead of a drive: it turns over where the drive flattens</source>
        <translation>ein Falter statt eines Verzerrers: er klappt um, wo der Verzerrer abflacht</translation>
    </message>
    <message>
        <source>Compressor</source>
        <translation>Kompressor</translation>
    </message>
    <message>
        <source>Echo</source>
        <translation>Echo</translation>
    </message>
    <message>
        <source>a reverb instead of an echo</source>
        <translation>ein Hall statt eines Echos</translation>
    </message>
    <message>
        <source>Reverb</source>
        <translation>Hall</translation>
    </message>
    <message>
        <source>the file of the module &quot;{}&quot; is not there any more</source>
        <translation>die Datei des Moduls „{}“ ist nicht mehr da</translation>
    </message>
    <message>
        <source>the file of &quot;{}&quot; is not there any more</source>
        <translation>die Datei von „{}“ ist nicht mehr da</translation>
    </message>
    <message>
        <source>is no bundle that can be read: {}</source>
        <translation>ist kein lesbares Bündel: {}</translation>
    </message>
    <message>
        <source>holds {} entries; 1 to {} are read</source>
        <translation>enthält {} Einträge; 1 bis {} werden gelesen</translation>
    </message>
    <message>
        <source>has an entry without name or size</source>
        <translation>hat einen Eintrag ohne Namen oder Größe</translation>
    </message>
    <message>
        <source>is too large: {} an entry and {} in all are read</source>
        <translation>ist zu groß: {} je Eintrag und {} insgesamt werden gelesen</translation>
    </message>
    <message>
        <source>cannot be unpacked; it may be damaged</source>
        <translation>lässt sich nicht auspacken; vielleicht ist es beschädigt</translation>
    </message>
    <message>
        <source>has a name that is none of a bundle</source>
        <translation>hat einen Namen, der in kein Bündel gehört</translation>
    </message>
    <message>
        <source>is no part of a bundle</source>
        <translation>gehört in kein Bündel</translation>
    </message>
    <message>
        <source>lacks its case or says not that it is a bundle</source>
        <translation>enthält kein Gehäuse oder sagt nicht, dass es ein Bündel ist</translation>
    </message>
    <message>
        <source>lacks the module &quot;{}&quot;</source>
        <translation>ihm fehlt das Modul „{}“</translation>
    </message>
    <message>
        <source>there is no folder of your own to unpack it in: set HOME</source>
        <translation>es gibt keinen eigenen Ordner zum Auspacken: HOME setzen</translation>
    </message>
    <message>
        <source>{} is there already</source>
        <translation>{} gibt es schon</translation>
    </message>
    <message>
        <source>its case cannot be used</source>
        <translation>sein Gehäuse ist nicht brauchbar</translation>
    </message>
    <message>
        <source>time ran out before it was clear whether this case can play it; try it once more, or beside less</source>
        <translation>die Zeit reichte nicht, um zu sehen, ob dieses Gehäuse das spielen kann; noch einmal versuchen, oder neben weniger</translation>
    </message>
    <message>
        <source>a switch has no taper</source>
        <translation>ein Schalter hat keine Kennlinie</translation>
    </message>
    <message>
        <source>a log taper needs a range above zero, not {:g} to {:g}</source>
        <translation>eine logarithmische Kennlinie braucht einen Bereich über null, nicht {:g} bis {:g}</translation>
    </message>
    <message>
        <source>this recording tells nothing of it: it is silent, too short, or of another kind</source>
        <translation>diese Aufnahme sagt darüber nichts: sie ist still, zu kurz oder von anderer Art</translation>
    </message>
    <message>
        <source>the folder cannot be made: {}</source>
        <translation>der Ordner lässt sich nicht anlegen: {}</translation>
    </message>
    <message>
        <source>{} is written with its unit, {}</source>
        <translation>{} wird mit Einheit geschrieben, {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no number</source>
        <translation>„{}“ ist keine Zahl</translation>
    </message>
    <message>
        <source>there is no block &quot;{}&quot;; near: {}</source>
        <translation>es gibt keinen Block „{}“; ähnlich: {}</translation>
    </message>
    <message>
        <source>is longer than {} bytes</source>
        <translation>ist länger als {} Bytes</translation>
    </message>
    <message>
        <source>a part comes first: &quot;part Voice&quot;</source>
        <translation>zuerst kommt ein Teil: „part Voice“</translation>
    </message>
    <message>
        <source>it has no name yet: &quot;module My drum&quot;</source>
        <translation>es hat noch keinen Namen: „module My drum“</translation>
    </message>
    <message>
        <source>it has no width yet: &quot;10 HP, 45 mA on +12 V&quot;</source>
        <translation>es hat noch keine Breite: „10 HP, 45 mA on +12 V“</translation>
    </message>
    <message>
        <source>it has no part yet: &quot;part Voice&quot;</source>
        <translation>es hat noch keinen Teil: „part Voice“</translation>
    </message>
    <message>
        <source>{} has no block yet: &quot;osc is a vco&quot;</source>
        <translation>{} hat noch keinen Block: „osc is a vco“</translation>
    </message>
    <message>
        <source>is none of the lines there are: part, jack, knob, main, with, unplugged, &quot;osc is a vco&quot;, &quot;osc saw to filter in 1&quot;</source>
        <translation>ist keine der Zeilen, die es gibt: part, jack, knob, main, with, unplugged, „osc is a vco“, „osc saw to filter in 1“</translation>
    </message>
    <message>
        <source>an id has lower-case letters, digits and dashes only</source>
        <translation>eine Kennung hat nur Kleinbuchstaben, Ziffern und Bindestriche</translation>
    </message>
    <message>
        <source>the width is a whole number of HP</source>
        <translation>die Breite ist eine ganze Zahl von HP</translation>
    </message>
    <message>
        <source>there is no rail &quot;{}&quot;; there are +12 V, -12 V and +5 V</source>
        <translation>es gibt keine Schiene „{}“; es gibt +12 V, -12 V und +5 V</translation>
    </message>
    <message>
        <source>a bracket is never opened</source>
        <translation>eine Klammer wird nie geöffnet</translation>
    </message>
    <message>
        <source>it needs a name</source>
        <translation>es braucht einen Namen</translation>
    </message>
    <message>
        <source>there is a part {} already</source>
        <translation>es gibt schon einen Teil {}</translation>
    </message>
    <message>
        <source>a block is written &quot;osc is a vco&quot;</source>
        <translation>ein Block wird „osc is a vco“ geschrieben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no name for a block; it has letters, digits and dashes</source>
        <translation>„{}“ ist kein Name für einen Block; er hat Buchstaben, Ziffern und Bindestriche</translation>
    </message>
    <message>
        <source>there is a block {} already</source>
        <translation>es gibt schon einen Block {}</translation>
    </message>
    <message>
        <source>{} has no control as in &quot;{}&quot;; near: {}</source>
        <translation>{} hat keinen Regler wie in „{}“; ähnlich: {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no value of {}: {}</source>
        <translation>„{}“ ist kein Wert von {}: {}</translation>
    </message>
    <message>
        <source>this part has no block yet: &quot;osc is a vco&quot;</source>
        <translation>dieser Teil hat noch keinen Block: „osc is a vco“</translation>
    </message>
    <message>
        <source>&quot;{}&quot; begins with none of the blocks of this part: {}</source>
        <translation>„{}“ beginnt mit keinem Block dieses Teils: {}</translation>
    </message>
    <message>
        <source>{} of {} is an output; a wire leads to an input</source>
        <translation>{} von {} ist ein Ausgang; ein Draht führt zu einem Eingang</translation>
    </message>
    <message>
        <source>{} of {} is an input; a wire begins at an output</source>
        <translation>{} von {} ist ein Eingang; ein Draht beginnt an einem Ausgang</translation>
    </message>
    <message>
        <source>{} ({}) has no jack &quot;{}&quot;; near: {}</source>
        <translation>{} ({}) hat keine Buchse „{}“; ähnlich: {}</translation>
    </message>
    <message>
        <source>{} ({}) has no control &quot;{}&quot;; near: {}</source>
        <translation>{} ({}) hat keinen Regler „{}“; ähnlich: {}</translation>
    </message>
    <message>
        <source>{} is fed by {} already; two outputs are summed by a mixer</source>
        <translation>{} wird schon von {} gespeist; zwei Ausgänge summiert ein Mischer</translation>
    </message>
    <message>
        <source>there is a jack {} already</source>
        <translation>es gibt schon eine Buchse {}</translation>
    </message>
    <message>
        <source>a range is written &quot;from -5 V to +5 V&quot;</source>
        <translation>ein Bereich wird „from -5 V to +5 V“ geschrieben</translation>
    </message>
    <message>
        <source>the range is turned round</source>
        <translation>der Bereich ist verkehrt herum</translation>
    </message>
    <message>
        <source>&quot;{}&quot; says nothing of a jack; there are right, from … to …, gain, offset, hertz per volt, kΩ, threshold, pulses from</source>
        <translation>„{}“ sagt nichts über eine Buchse; es gibt right, from … to …, gain, offset, hertz per volt, kΩ, threshold, pulses from</translation>
    </message>
    <message>
        <source>there is a knob {} already</source>
        <translation>es gibt schon einen Regler {}</translation>
    </message>
    <message>
        <source>a range is written &quot;from … to …&quot;</source>
        <translation>ein Bereich wird „from … to …“ geschrieben</translation>
    </message>
    <message>
        <source>there is no taper &quot;{}&quot;; there are linear, log and squared</source>
        <translation>es gibt keine Kennlinie „{}“; es gibt linear, log und squared</translation>
    </message>
    <message>
        <source>&quot;{}&quot; says nothing of a knob; there are from … to …, starts at, taper</source>
        <translation>„{}“ sagt nichts über einen Regler; es gibt from … to …, starts at, taper</translation>
    </message>
    <message>
        <source>there is no {} &quot;{}&quot; in this part so far; near: {}</source>
        <translation>bis hier gibt es in diesem Teil nichts namens {} „{}“; ähnlich: {}</translation>
    </message>
    <message>
        <source>readings are written &quot;readings of Cutoff: 20 Hz at 7:00, 412 Hz at 10:20; points&quot;</source>
        <translation>Ablesungen werden „readings of Cutoff: 20 Hz at 7:00, 412 Hz at 10:20; points“ geschrieben</translation>
    </message>
    <message>
        <source>there is no law &quot;{}&quot;; there are linear, exponential, logarithmic, points</source>
        <translation>es gibt kein Gesetz „{}“; es gibt linear, exponential, logarithmic, points</translation>
    </message>
    <message>
        <source>a reading is written &quot;412 Hz at 10:20&quot;</source>
        <translation>eine Ablesung wird „412 Hz at 10:20“ geschrieben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no place on a dial, which goes from 7:00 to 5:00</source>
        <translation>„{}“ ist keine Stellung eines Reglers; er geht von 7:00 bis 5:00</translation>
    </message>
    <message>
        <source>a normal is written &quot;unplugged, gate hears 1 gate&quot;</source>
        <translation>eine Normalisierung wird „unplugged, gate hears 1 gate“ geschrieben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; names a part and a jack of it</source>
        <translation>„{}“ muss einen Teil und eine Buchse davon nennen</translation>
    </message>
    <message>
        <source>a meaning is written &quot;with a plug in pwm, knob Width is called PWM depth&quot;</source>
        <translation>eine Bedeutung wird „with a plug in pwm, knob Width is called PWM depth“ geschrieben</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no condition; there are &quot;a plug in pwm&quot; and &quot;Type at AD&quot;</source>
        <translation>„{}“ ist keine Bedingung; es gibt „a plug in pwm“ und „Type at AD“</translation>
    </message>
    <message>
        <source>it says neither what it is called then, nor what it sets</source>
        <translation>es sagt weder, wie er dann heißt, noch was er stellt</translation>
    </message>
    <message>
        <source>a jack stays where it is; only a knob sets something else</source>
        <translation>eine Buchse bleibt, wo sie ist; nur ein Regler stellt etwas anderes</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is not named in this part; give it a line of its own first</source>
        <translation>„{}“ wird in diesem Teil nicht genannt; gib dem zuerst eine eigene Zeile</translation>
    </message>
    <message>
        <source>its parts have {} rows together, the case {}</source>
        <translation>seine Teile haben zusammen {} Reihen, das Case {}</translation>
    </message>
    <message>
        <source>{} readings are the most</source>
        <translation>mehr als {} Ablesungen gehen nicht</translation>
    </message>
    <message>
        <source>a wish has {} letters at most</source>
        <translation>ein Wunsch hat höchstens {} Buchstaben</translation>
    </message>
    <message>
        <source>name what is wanted: &quot;2 vco, filter, vca, contour, lfo slow to pwm&quot;</source>
        <translation>nenne, was gewünscht ist: „2 vco, filter, vca, contour, lfo slow to pwm“</translation>
    </message>
    <message>
        <source>{} parts are more than a recipe holds</source>
        <translation>{} Teile sind mehr, als ein Rezept fasst</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: from 1 to {} of one kind</source>
        <translation>„{}“: von einer Art 1 bis {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; names nothing that a case has; near: {}</source>
        <translation>„{}“ nennt nichts, was ein Case hat; ähnlich: {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: nothing about {} can be &quot;{}&quot;</source>
        <translation>„{}“: an {} kann nichts „{}“ sein</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: &quot;{}&quot; was not understood; there are slow, fast, short, long, bright, dark, resonant, low, high</source>
        <translation>„{}“: „{}“ wurde nicht verstanden; es gibt slow, fast, short, long, bright, dark, resonant, low, high</translation>
    </message>
    <message>
        <source>{} sounds are more than one mixer takes; write mixers where they are to be</source>
        <translation>{} Klänge sind mehr, als ein Mischer nimmt; schreibe die Mischer dorthin, wo sie sein sollen</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: there are not two it could be for</source>
        <translation>„{}“: es gibt keine zwei, für die es sein könnte</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: there is no {} in this wish</source>
        <translation>„{}“: in diesem Wunsch gibt es kein {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: {} moves nothing</source>
        <translation>„{}“: {} bewegt nichts</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: {} has no free input for it</source>
        <translation>„{}“: {} hat keinen freien Eingang dafür</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: {} has no free input &quot;{}&quot;</source>
        <translation>„{}“: {} hat keinen freien Eingang „{}“</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: nothing in this wish has a free &quot;{}&quot;</source>
        <translation>„{}“: nichts in diesem Wunsch hat ein freies „{}“</translation>
    </message>
    <message>
        <source>{} rows together are more than {}</source>
        <translation>zusammen {} Reihen sind mehr als {}</translation>
    </message>
    <message>
        <source>{} cables are not between 0 and {}</source>
        <translation>{} Kabel liegen nicht zwischen 0 und {}</translation>
    </message>
    <message>
        <source>{} stackable cables are more than the {} there are</source>
        <translation>{} stapelbare Kabel sind mehr als die {}, die es gibt</translation>
    </message>
    <message>
        <source>{} is joined from {} cases, each with its rows: change those, and join them anew</source>
        <translation>{} ist aus {} Cases verbunden, jedes mit seinen Reihen: ändere diese und verbinde sie neu</translation>
    </message>
    <message>
        <source>a reading lies off the dial</source>
        <translation>eine Ablesung liegt neben der Skala</translation>
    </message>
    <message>
        <source>{} at {} is nothing this knob can be; it goes from {} to {}</source>
        <translation>{} bei {} kann dieser Regler nicht sein; er geht von {} bis {}</translation>
    </message>
    <message>
        <source>two readings contradict each other: at {} both {} and {}; take one out</source>
        <translation>zwei Ablesungen widersprechen sich: bei {} sowohl {} als auch {}; nimm eine heraus</translation>
    </message>
    <message>
        <source>two readings contradict each other: {} at {} and less, {}, further on at {}; a knob&apos;s value rises as it is turned</source>
        <translation>zwei Ablesungen widersprechen sich: {} bei {} und weniger, {}, weiter oben bei {}; der Wert eines Reglers steigt, wenn er gedreht wird</translation>
    </message>
    <message>
        <source>it takes readings of two places at least, with two values</source>
        <translation>es braucht Ablesungen an mindestens zwei Stellungen mit zwei Werten</translation>
    </message>
    <message>
        <source>a switch has positions, not a scale</source>
        <translation>ein Schalter hat Stellungen, keine Skala</translation>
    </message>
    <message>
        <source>these readings have no logarithmic law; it takes three places at least</source>
        <translation>diese Ablesungen haben kein logarithmisches Gesetz; es braucht mindestens drei Stellungen</translation>
    </message>
    <message>
        <source>these readings have no such law; values that are not above zero have no ratios</source>
        <translation>diese Ablesungen haben kein solches Gesetz; Werte, die nicht über null liegen, haben keine Verhältnisse</translation>
    </message>
    <message>
        <source>{}.{} is no knob of this voice that can be wished</source>
        <translation>{}.{} ist kein Regler dieser Stimme, der gewünscht werden kann</translation>
    </message>
    <message>
        <source>the copy jack of a detector: one copy of what goes into its first channel</source>
        <translation>die Kopierbuchse eines Detektors: eine Kopie dessen, was in seinen ersten Kanal geht</translation>
    </message>
    <message>
        <source>the copy jack of a detector: one copy of what goes into its second channel</source>
        <translation>die Kopierbuchse eines Detektors: eine Kopie dessen, was in seinen zweiten Kanal geht</translation>
    </message>
    <message>
        <source>&quot;{}&quot; says nothing; write between which two, the lower first: {}</source>
        <translation>„{}“ sagt nichts; schreibe, zwischen welchen beiden, den niedrigeren zuerst: {}</translation>
    </message>
    <message>
        <source>cannot be told, {} of {} is unknown</source>
        <translation>lässt sich nicht sagen, {} von {} ist unbekannt</translation>
    </message>
    <message>
        <source>between {} and {}, tried at {}</source>
        <translation>zwischen {} und {}, probiert bei {}</translation>
    </message>
    <message>
        <source>anywhere, tried at {}</source>
        <translation>irgendwo, probiert bei {}</translation>
    </message>
    <message>
        <source>{} of {} knobs unknown</source>
        <translation>{} von {} Reglern unbekannt</translation>
    </message>
    <message>
        <source>is no PDF</source>
        <translation>ist kein PDF</translation>
    </message>
    <message>
        <source>the PDF is damaged or locked</source>
        <translation>das PDF ist beschädigt oder gesperrt</translation>
    </message>
    <message>
        <source>should read {}</source>
        <translation>zu messen {}</translation>
    </message>
    <message>
        <source>Set {} · {}</source>
        <translation>Einstellen: {} · {}</translation>
    </message>
    <message>
        <source>from {}</source>
        <translation>aus {}</translation>
    </message>
    <message>
        <source>outline and spectrum</source>
        <translation>Umriss und Spektrum</translation>
    </message>
    <message>
        <source>chance begins elsewhere</source>
        <translation>der Zufall beginnt anderswo</translation>
    </message>
    <message>
        <source>what is said of the patch: {} → {}</source>
        <translation>was über den Patch gesagt ist: {} → {}</translation>
    </message>
    <message>
        <source>{} sits elsewhere</source>
        <translation>{} sitzt anderswo</translation>
    </message>
    <message>
        <source>{} is called {}</source>
        <translation>{} heißt {}</translation>
    </message>
    <message>
        <source>{} is of voice {}, was of {}</source>
        <translation>{} gehört zur Stimme {}, vorher {}</translation>
    </message>
    <message>
        <source>the note on {}: {} → {}</source>
        <translation>die Notiz zu {}: {} → {}</translation>
    </message>
    <message>
        <source>cable {} from {} goes to {}, not to {}</source>
        <translation>Kabel {} von {} führt zu {}, nicht zu {}</translation>
    </message>
    <message>
        <source>cable {} into {} moved from {} to {}</source>
        <translation>Kabel {} in {} wechselte von {} zu {}</translation>
    </message>
    <message>
        <source>cable {} is another one of the bag</source>
        <translation>Kabel {} ist ein anderes aus dem Beutel</translation>
    </message>
    <message>
        <source>cable {} stands under another heading</source>
        <translation>Kabel {} steht unter einer anderen Überschrift</translation>
    </message>
    <message>
        <source>the note on cable {}: {} → {}</source>
        <translation>die Notiz zu Kabel {}: {} → {}</translation>
    </message>
    <message>
        <source>rows are tied in another order</source>
        <translation>die Zeilen werden in anderer Reihenfolge gesteckt</translation>
    </message>
    <message>
        <source>the note on {} {}: {}</source>
        <translation>die Notiz zu {} {}: {}</translation>
    </message>
    <message>
        <source>{} {} is locked</source>
        <translation>{} {} ist gesperrt</translation>
    </message>
    <message>
        <source>{} {} is not locked any more</source>
        <translation>{} {} ist nicht mehr gesperrt</translation>
    </message>
    <message>
        <source>{} {} is known now</source>
        <translation>{} {} ist jetzt bekannt</translation>
    </message>
    <message>
        <source>{} {} is not known any more</source>
        <translation>{} {} ist nicht mehr bekannt</translation>
    </message>
    <message>
        <source>{} {} may stand elsewhere</source>
        <translation>{} {} kann anderswo stehen</translation>
    </message>
    <message>
        <source>{} {} is tried elsewhere</source>
        <translation>{} {} wird anderswo versucht</translation>
    </message>
    <message>
        <source>{} {} {:+.0f} minutes</source>
        <translation>{} {} {:+.0f} Minuten</translation>
    </message>
    <message>
        <source>{} plays no steps any more</source>
        <translation>{} spielt keine Schritte mehr</translation>
    </message>
    <message>
        <source>{} plays steps</source>
        <translation>{} spielt Schritte</translation>
    </message>
    <message>
        <source>{} lane {} {}</source>
        <translation>{} Reihe {} {}</translation>
    </message>
    <message>
        <source>{} track {} {}</source>
        <translation>{} Spur {} {}</translation>
    </message>
    <message>
        <source>is not written any more</source>
        <translation>steht nicht mehr da</translation>
    </message>
    <message>
        <source>goes through its steps otherwise</source>
        <translation>geht anders durch ihre Schritte</translation>
    </message>
    <message>
        <source>is called otherwise</source>
        <translation>heißt anders</translation>
    </message>
    <message>
        <source>step {} an octave up</source>
        <translation>Schritt {} eine Oktave höher</translation>
    </message>
    <message>
        <source>step {} an octave down</source>
        <translation>Schritt {} eine Oktave tiefer</translation>
    </message>
    <message>
        <source>step {} rests</source>
        <translation>Schritt {} pausiert</translation>
    </message>
    <message>
        <source>step {} is tied</source>
        <translation>Schritt {} ist gebunden</translation>
    </message>
    <message>
        <source>step {}: {} → {}</source>
        <translation>Schritt {}: {} → {}</translation>
    </message>
    <message>
        <source>step {} is an accent</source>
        <translation>Schritt {} ist betont</translation>
    </message>
    <message>
        <source>step {} is a hit</source>
        <translation>Schritt {} ist ein Schlag</translation>
    </message>
    <message>
        <source>{} steps, were {}</source>
        <translation>{} Schritte, vorher {}</translation>
    </message>
    <message>
        <source>{} of {} steps</source>
        <translation>{} von {} Schritten</translation>
    </message>
    <message>
        <source>no scene {} any more</source>
        <translation>keine Szene {} mehr</translation>
    </message>
    <message>
        <source>scene {} is new</source>
        <translation>Szene {} ist neu</translation>
    </message>
    <message>
        <source>scene {}</source>
        <translation>Szene {}</translation>
    </message>
    <message>
        <source>{} bars, were {}</source>
        <translation>{} Takte, vorher {}</translation>
    </message>
    <message>
        <source>{} times, were {}</source>
        <translation>{} Mal, vorher {}</translation>
    </message>
    <message>
        <source>other knobs are set when it begins</source>
        <translation>zu Beginn werden andere Regler gestellt</translation>
    </message>
    <message>
        <source>the hands move otherwise</source>
        <translation>die Hände bewegen sich anders</translation>
    </message>
    <message>
        <source>scenes follow in another order</source>
        <translation>Szenen folgen in anderer Reihenfolge</translation>
    </message>
    <message>
        <source>a finding is meant: {}</source>
        <translation>ein Befund ist gewollt: {}</translation>
    </message>
    <message>
        <source>a finding speaks again: {}</source>
        <translation>ein Befund meldet sich wieder: {}</translation>
    </message>
    <message>
        <source>a controller turns {}</source>
        <translation>ein Controller dreht {}</translation>
    </message>
    <message>
        <source>no controller turns {} any more</source>
        <translation>kein Controller dreht {} mehr</translation>
    </message>
    <message>
        <source>kept as {}: knobs stand otherwise</source>
        <translation>gemerkt als {}: Regler stehen anders</translation>
    </message>
    <message>
        <source>nothing is kept as {} any more</source>
        <translation>nichts ist mehr als {} gemerkt</translation>
    </message>
    <message>
        <source>headings look otherwise</source>
        <translation>Überschriften sehen anders aus</translation>
    </message>
    <message>
        <source>small print, such as the order of posts</source>
        <translation>Kleingedrucktes, etwa die Reihenfolge der Pfosten</translation>
    </message>
    <message>
        <source>Patch</source>
        <translation>Patch</translation>
    </message>
    <message>
        <source>Posts</source>
        <translation>Pfosten</translation>
    </message>
    <message>
        <source>Played</source>
        <translation>Gespielt</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>Small print</source>
        <translation>Kleingedrucktes</translation>
    </message>
    <message>
        <source>level at the way out</source>
        <translation>Pegel am Ausgang</translation>
    </message>
    <message>
        <source>DC</source>
        <translation>Gleichspannung</translation>
    </message>
    <message>
        <source>tail of the hits</source>
        <translation>Ausklang der Schläge</translation>
    </message>
    <message>
        <source>brightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>above 2 kHz</source>
        <translation>über 2 kHz</translation>
    </message>
    <message>
        <source>decay of the hits</source>
        <translation>Abklingen der Schläge</translation>
    </message>
    <message>
        <source>tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>findings</source>
        <translation>Befunde</translation>
    </message>
    <message>
        <source>{:.1f} dB louder</source>
        <translation>{:.1f} dB lauter</translation>
    </message>
    <message>
        <source>{:.1f} dB quieter</source>
        <translation>{:.1f} dB leiser</translation>
    </message>
    <message>
        <source>{:+.2f} V</source>
        <translation>{:+.2f} V</translation>
    </message>
    <message>
        <source>{:.0f} cents higher</source>
        <translation>{:.0f} Cent höher</translation>
    </message>
    <message>
        <source>{:.0f} cents lower</source>
        <translation>{:.0f} Cent tiefer</translation>
    </message>
    <message>
        <source>{:.0f} semitones higher</source>
        <translation>{:.0f} Halbtöne höher</translation>
    </message>
    <message>
        <source>{:.0f} semitones lower</source>
        <translation>{:.0f} Halbtöne tiefer</translation>
    </message>
    <message>
        <source>brighter by {:.2f} octaves</source>
        <translation>heller um {:.2f} Oktaven</translation>
    </message>
    <message>
        <source>duller by {:.2f} octaves</source>
        <translation>dumpfer um {:.2f} Oktaven</translation>
    </message>
    <message>
        <source>{:.1f} dB more</source>
        <translation>{:.1f} dB mehr</translation>
    </message>
    <message>
        <source>{:.1f} dB less</source>
        <translation>{:.1f} dB weniger</translation>
    </message>
    <message>
        <source>longer by {:.0f} ms</source>
        <translation>länger um {:.0f} ms</translation>
    </message>
    <message>
        <source>shorter by {:.0f} ms</source>
        <translation>kürzer um {:.0f} ms</translation>
    </message>
    <message>
        <source>faster by {:g} BPM</source>
        <translation>schneller um {:g} BPM</translation>
    </message>
    <message>
        <source>slower by {:g} BPM</source>
        <translation>langsamer um {:g} BPM</translation>
    </message>
    <message>
        <source>{:.0f} more</source>
        <translation>{:.0f} mehr</translation>
    </message>
    <message>
        <source>{:.0f} fewer</source>
        <translation>{:.0f} weniger</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no day: write since 2026-11-03, today or yesterday</source>
        <translation>„{}“ ist kein Tag: schreibe since 2026-11-03, today oder yesterday</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no rating: write rated 1 to rated 5</source>
        <translation>„{}“ ist keine Bewertung: schreibe rated 1 bis rated 5</translation>
    </message>
    <message>
        <source>&quot;{}&quot; has no value that can be read: write tail D1, decay 300-500 ms, brightness above 2 kHz</source>
        <translation>„{}“ hat keinen lesbaren Wert: schreibe tail D1, decay 300-500 ms, brightness above 2 kHz</translation>
    </message>
    <message>
        <source>kept by hand</source>
        <translation>von Hand behalten</translation>
    </message>
    <message>
        <source>before the plan</source>
        <translation>vor dem Plan</translation>
    </message>
    <message>
        <source>before a sheet was read</source>
        <translation>vor dem Lesen eines Blatts</translation>
    </message>
    <message>
        <source>before going back</source>
        <translation>vor dem Zurückgehen</translation>
    </message>
    <message>
        <source>recorded</source>
        <translation>aufgenommen</translation>
    </message>
    <message>
        <source>brought in</source>
        <translation>hereingeholt</translation>
    </message>
    <message>
        <source>should be a list</source>
        <translation>sollte eine Liste sein</translation>
    </message>
    <message>
        <source>the case {} is not here</source>
        <translation>das Gehäuse {} ist nicht hier</translation>
    </message>
    <message>
        <source>the case {} is another one now</source>
        <translation>das Gehäuse {} ist jetzt ein anderes</translation>
    </message>
    <message>
        <source>the module {} is not here</source>
        <translation>das Modul {} ist nicht hier</translation>
    </message>
    <message>
        <source>the module {} is another one now</source>
        <translation>das Modul {} ist jetzt ein anderes</translation>
    </message>
    <message>
        <source>the sound of the take is none of ours</source>
        <translation>der Klang des Takes ist keiner von uns</translation>
    </message>
    <message>
        <source>the title</source>
        <translation>der Titel</translation>
    </message>
    <message>
        <source>the key</source>
        <translation>die Tonart</translation>
    </message>
    <message>
        <source>a note</source>
        <translation>eine Notiz</translation>
    </message>
    <message>
        <source>about {}</source>
        <translation>über {}</translation>
    </message>
    <message>
        <source>what follows is voice {}</source>
        <translation>was folgt, ist Stimme {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: no thing is named that this case has</source>
        <translation>„{}“: nennt nichts, was dieses Gehäuse hat</translation>
    </message>
    <message>
        <source>&quot;{}&quot;: {} has no knob or jack of that name</source>
        <translation>„{}“: {} hat keinen Regler und keine Buchse dieses Namens</translation>
    </message>
    <message>
        <source>one end of the cable is missing</source>
        <translation>ein Ende des Kabels fehlt</translation>
    </message>
    <message>
        <source>{} to {}, as before</source>
        <translation>{} nach {}, wie schon gesagt</translation>
    </message>
    <message>
        <source>{} holds a cable from {} already</source>
        <translation>in {} steckt schon ein Kabel von {}</translation>
    </message>
    <message>
        <source>{} to {}</source>
        <translation>{} nach {}</translation>
    </message>
    <message>
        <source>this case has no other {} left</source>
        <translation>in diesem Gehäuse ist kein weiterer {} frei</translation>
    </message>
    <message>
        <source>about {} {}</source>
        <translation>über {} {}</translation>
    </message>
    <message>
        <source>{} {} is not known</source>
        <translation>{} {} ist nicht bekannt</translation>
    </message>
    <message>
        <source>{} {} is {}: between {} and {}</source>
        <translation>{} {} ist {}: zwischen {} und {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no value of {} {}: write {}</source>
        <translation>„{}“ ist kein Wert von {} {}: schreibe {}</translation>
    </message>
    <message>
        <source>{} {} is about {}</source>
        <translation>{} {} ist ungefähr {}</translation>
    </message>
    <message>
        <source>{} {} is {}</source>
        <translation>{} {} ist {}</translation>
    </message>
    <message>
        <source>{} lane {}</source>
        <translation>{} Reihe {}</translation>
    </message>
    <message>
        <source>{} track {}</source>
        <translation>{} Spur {}</translation>
    </message>
    <message>
        <source>the text has more than {} lines</source>
        <translation>der Text hat mehr als {} Zeilen</translation>
    </message>
    <message>
        <source>line {} has more than {} letters</source>
        <translation>Zeile {} hat mehr als {} Zeichen</translation>
    </message>
    <message>
        <source>nothing is plugged into {}</source>
        <translation>in {} steckt nichts</translation>
    </message>
    <message>
        <source>{} has no such stage</source>
        <translation>{} hat keine solche Phase</translation>
    </message>
    <message>
        <source>Tables of converters</source>
        <translation>Tabellen der Wandler</translation>
    </message>
    <message>
        <source>Headroom along the way</source>
        <translation>Reserve auf dem Weg</translation>
    </message>
    <message>
        <source>Calibrated knobs</source>
        <translation>Geeichte Regler</translation>
    </message>
    <message>
        <source>Nobody wrote down</source>
        <translation>Was niemand aufschrieb</translation>
    </message>
    <message>
        <source>What it sounds like</source>
        <translation>Wie es klingt</translation>
    </message>
    <message>
        <source>For a second player</source>
        <translation>Für einen zweiten Spieler</translation>
    </message>
    <message>
        <source>To give back</source>
        <translation>Zurückzugeben</translation>
    </message>
    <message>
        <source>To take it apart</source>
        <translation>Zum Abbauen</translation>
    </message>
    <message>
        <source>{} {}: read off the metal at {} places, {} to {}</source>
        <translation>{} {}: am Gerät abgelesen an {} Stellen, {} bis {}</translation>
    </message>
    <message>
        <source>cable {} from {}: peak {:.2f} V, {:.1f} dB below ±10 V</source>
        <translation>Kabel {} von {}: Spitze {:.2f} V, {:.1f} dB unter ±10 V</translation>
    </message>
    <message>
        <source>cable {} from {}: peak {:.2f} V, {:.1f} dB beyond ±10 V</source>
        <translation>Kabel {} von {}: Spitze {:.2f} V, {:.1f} dB über ±10 V</translation>
    </message>
    <message>
        <source>{} to {}, borrowed {}</source>
        <translation>{} an {}, geliehen {}</translation>
    </message>
    <message>
        <source>Turn the monitor and the way out down, and stop the clock.</source>
        <translation>Abhöre und Ausgang herunterdrehen und den Takt anhalten.</translation>
    </message>
    <message>
        <source>Keep a take and a picture of the knobs before the first plug comes out.</source>
        <translation>Einen Take behalten und ein Bild der Regler machen, bevor der erste Stecker herauskommt.</translation>
    </message>
    <message>
        <source>Pull the cables from the last row to the first, so that nothing sounds on without its level.</source>
        <translation>Die Kabel von der letzten Zeile zur ersten ziehen, damit nichts ohne seinen Pegel weiterklingt.</translation>
    </message>
    <message>
        <source>Count the cables back into the bag: {}.</source>
        <translation>Die Kabel in den Beutel zurückzählen: {}.</translation>
    </message>
    <message>
        <source>Key {}, {}</source>
        <translation>Tonart {}, {}</translation>
    </message>
    <message>
        <source>the longest line has {} steps</source>
        <translation>die längste Zeile hat {} Schritte</translation>
    </message>
    <message>
        <source>{} × {} ({} in the bag, {} short)</source>
        <translation>{} × {} ({} im Beutel, {} fehlen)</translation>
    </message>
    <message>
        <source>the take does not hold its case</source>
        <translation>der Take enthält sein Gehäuse nicht</translation>
    </message>
    <message>
        <source>the patch in it is cut short</source>
        <translation>der Patch darin ist abgeschnitten</translation>
    </message>
    <message>
        <source>the patch in it is too large</source>
        <translation>der Patch darin ist zu groß</translation>
    </message>
    <message>
        <source>the patch in it is damaged</source>
        <translation>der Patch darin ist beschädigt</translation>
    </message>
    <message>
        <source>no patch travels in it; it was written without, or by something else</source>
        <translation>darin reist kein Patch mit; es wurde ohne geschrieben oder von etwas anderem</translation>
    </message>
    <message>
        <source>holds no patch, so it is no take</source>
        <translation>enthält keinen Patch und ist also kein Take</translation>
    </message>
    <message>
        <source>the disk is full; nothing of it was written</source>
        <translation>die Platte ist voll; nichts davon wurde geschrieben</translation>
    </message>
    <message>
        <source>the log cannot be written there: it stands on a disk that is read-only</source>
        <translation>das Log kann dort nicht geschrieben werden: die Platte ist schreibgeschützt</translation>
    </message>
    <message>
        <source>another program holds the log; close that, or try again</source>
        <translation>ein anderes Programm hält das Log fest; schließe es oder versuche es noch einmal</translation>
    </message>
    <message>
        <source>the file is damaged or no log; move it away to begin a new one</source>
        <translation>die Datei ist beschädigt oder kein Log; lege sie beiseite, um ein neues zu beginnen</translation>
    </message>
    <message>
        <source>the file cannot be opened; look at its folder and its rights</source>
        <translation>die Datei lässt sich nicht öffnen; prüfe ihren Ordner und ihre Rechte</translation>
    </message>
    <message>
        <source>the log needs Qt&apos;s driver for SQLite: install libqt6sql6-sqlite</source>
        <translation>das Log braucht den SQLite-Treiber von Qt: installiere libqt6sql6-sqlite</translation>
    </message>
    <message>
        <source>a newer version of Lariat wrote this log (version {}, this one reads {}); it stays as it is</source>
        <translation>eine neuere Version von Lariat schrieb dieses Log (Version {}, diese liest {}); es bleibt, wie es ist</translation>
    </message>
    <message>
        <source>the log is damaged ({}); move it away to begin a new one</source>
        <translation>das Log ist beschädigt ({}); lege es beiseite, um ein neues zu beginnen</translation>
    </message>
    <message>
        <source>there is no take {}</source>
        <translation>es gibt keinen Take {}</translation>
    </message>
    <message>
        <source>names no case that is here</source>
        <translation>nennt kein Gehäuse, das es hier gibt</translation>
    </message>
    <message>
        <source>{} is {}</source>
        <translation>{} ist {}</translation>
    </message>
    <message>
        <source>{} stands at no place of {}</source>
        <translation>{} steht an keiner Stelle von {}</translation>
    </message>
    <message>
        <source>{} scenes</source>
        <translation>{} Szenen</translation>
    </message>
    <message>
        <source>What shape is it?</source>
        <translation>Welche Form hat es?</translation>
    </message>
    <message>
        <source>Which note is it?</source>
        <translation>Welcher Ton ist es?</translation>
    </message>
    <message>
        <source>Same each time?</source>
        <translation>Jedes Mal gleich?</translation>
    </message>
    <message>
        <source>How loud along the way?</source>
        <translation>Wie laut unterwegs?</translation>
    </message>
    <message>
        <source>What is in it?</source>
        <translation>Was steckt darin?</translation>
    </message>
    <message>
        <source>How do these relate?</source>
        <translation>Wie stehen sie zueinander?</translation>
    </message>
    <message>
        <source>Which is better?</source>
        <translation>Was ist besser?</translation>
    </message>
    <message>
        <source>Is the real one like this?</source>
        <translation>Ist das echte auch so?</translation>
    </message>
    <message>
        <source>{} is a switch; only knobs can be unknown to a recording</source>
        <translation>{} ist ein Schalter; nur Regler können einer Aufnahme unbekannt sein</translation>
    </message>
    <message>
        <source>there is no knob {}</source>
        <translation>es gibt keinen Regler {}</translation>
    </message>
    <message>
        <source>there is nothing to ask of: name a jack or a recording</source>
        <translation>es gibt nichts, wonach gefragt wird: eine Buchse oder eine Aufnahme angeben</translation>
    </message>
    <message>
        <source>{} at once are too many; {} are allowed</source>
        <translation>{} auf einmal sind zu viele; erlaubt sind {}</translation>
    </message>
    <message>
        <source>{} holds nothing behind {:.2f} s</source>
        <translation>{} enthält nichts nach {:.2f} s</translation>
    </message>
    <message>
        <source>this question is asked of a patch, not of tracks</source>
        <translation>diese Frage gilt einem Patch, keinen Spuren</translation>
    </message>
    <message>
        <source>add a recording of the real case first: what leaves it, with this patch playing from its start</source>
        <translation>zuerst eine Aufnahme des echten Gehäuses hinzufügen: was es verlässt, während dieser Patch von Anfang an spielt</translation>
    </message>
    <message>
        <source>this is asked of a patch, and there is none</source>
        <translation>danach wird ein Patch gefragt, und es gibt keinen</translation>
    </message>
    <message>
        <source>name the output that is heard while a range is played</source>
        <translation>den Ausgang nennen, der gehört wird, während ein Bereich gespielt wird</translation>
    </message>
    <message>
        <source>One alone is neither better nor worse: choose what to hold it against.</source>
        <translation>Eines allein ist weder besser noch schlechter: wählen, womit es verglichen wird.</translation>
    </message>
    <message>
        <source>Both at one loudness</source>
        <translation>Beide gleich laut</translation>
    </message>
    <message>
        <source>What is in them, in thirds of an octave</source>
        <translation>Was darin steckt, in Terzen</translation>
    </message>
    <message>
        <source>turned for comparing, the second</source>
        <translation>zum Vergleich das zweite um</translation>
    </message>
    <message>
        <source>Nothing that is measured tells {} from {}.</source>
        <translation>Nichts Gemessenes unterscheidet {} von {}.</translation>
    </message>
    <message>
        <source>{} against {}</source>
        <translation>{} gegen {}</translation>
    </message>
    <message>
        <source>Harmonics against the first</source>
        <translation>Teiltöne gegen den ersten</translation>
    </message>
    <message>
        <source>Harmonics against the strongest</source>
        <translation>Teiltöne gegen den stärksten</translation>
    </message>
    <message>
        <source>Sidebands by their order</source>
        <translation>Seitenbänder nach Ordnung</translation>
    </message>
    <message>
        <source>What is in it, against time (60 dB)</source>
        <translation>Was darin steckt, über der Zeit (60 dB)</translation>
    </message>
    <message>
        <source>Both are equally bright.</source>
        <translation>Beide sind gleich hell.</translation>
    </message>
    <message>
        <source>{} is duller by {:.2f} octaves.</source>
        <translation>{} ist um {:.2f} Oktaven dumpfer.</translation>
    </message>
    <message>
        <source>{} is brighter by {:.2f} octaves.</source>
        <translation>{} ist um {:.2f} Oktaven heller.</translation>
    </message>
    <message>
        <source>{} is silent: there is nothing in it.</source>
        <translation>{} ist still: Es steckt nichts darin.</translation>
    </message>
    <message>
        <source>{} is too short: {}.</source>
        <translation>{} ist zu kurz: {}.</translation>
    </message>
    <message>
        <source>Spectrum, Blackman-Harris over {}</source>
        <translation>Spektrum, Blackman-Harris über {}</translation>
    </message>
    <message>
        <source>level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>centre of it</source>
        <translation>Schwerpunkt</translation>
    </message>
    <message>
        <source>first harmonic</source>
        <translation>erster Teilton</translation>
    </message>
    <message>
        <source>its amplitude</source>
        <translation>seine Amplitude</translation>
    </message>
    <message>
        <source>even ones, in sum</source>
        <translation>gerade zusammen</translation>
    </message>
    <message>
        <source>odd ones above it</source>
        <translation>ungerade darüber</translation>
    </message>
    <message>
        <source>all overtones</source>
        <translation>alle Obertöne</translation>
    </message>
    <message>
        <source>falls per octave</source>
        <translation>Gefälle je Oktave</translation>
    </message>
    <message>
        <source>between them</source>
        <translation>dazwischen</translation>
    </message>
    <message>
        <source>carrier</source>
        <translation>Träger</translation>
    </message>
    <message>
        <source>sideband {:+d}</source>
        <translation>Seitenband {:+d}</translation>
    </message>
    <message>
        <source>Lines stand at {} ± n · {}.</source>
        <translation>Linien stehen bei {} ± n · {}.</translation>
    </message>
    <message>
        <source>{} or {} has no steady pitch, so that sidebands cannot be told.</source>
        <translation>{} oder {} hat keine feste Tonhöhe, darum lassen sich keine Seitenbänder nennen.</translation>
    </message>
    <message>
        <source>formant F{}</source>
        <translation>Formant F{}</translation>
    </message>
    <message>
        <source>F{} of {}</source>
        <translation>F{} von {}</translation>
    </message>
    <message>
        <source>F1 {:+.0f} Hz, F2 {:+.0f} Hz from {} as in {}.</source>
        <translation>F1 {:+.0f} Hz, F2 {:+.0f} Hz neben {} wie in „{}“.</translation>
    </message>
    <message>
        <source>nearest vowel</source>
        <translation>nächster Vokal</translation>
    </message>
    <message>
        <source>No two formants can be told in it.</source>
        <translation>Es lassen sich keine zwei Formanten erkennen.</translation>
    </message>
    <message>
        <source>added by the rate</source>
        <translation>von der Abtastrate dazu</translation>
    </message>
    <message>
        <source>{} is nearly a sine at {}: its overtones are {} of it.</source>
        <translation>{} ist fast ein Sinus bei {}: Seine Obertöne machen {} aus.</translation>
    </message>
    <message>
        <source>{} stands at {} and has odd harmonics only.</source>
        <translation>{} steht bei {} und hat nur ungerade Teiltöne.</translation>
    </message>
    <message>
        <source>{} stands at {}; its even harmonics outweigh the odd ones.</source>
        <translation>{} steht bei {}; die geraden Teiltöne überwiegen die ungeraden.</translation>
    </message>
    <message>
        <source>{} stands at {} with even and odd harmonics.</source>
        <translation>{} steht bei {}, mit geraden und ungeraden Teiltönen.</translation>
    </message>
    <message>
        <source>{} is noise, with its centre at {}.</source>
        <translation>{} ist Rauschen mit dem Schwerpunkt bei {}.</translation>
    </message>
    <message>
        <source>{} is no single tone; most of it lies at {}.</source>
        <translation>{} ist kein einzelner Ton; das meiste liegt bei {}.</translation>
    </message>
    <message>
        <source>centre of {}</source>
        <translation>Schwerpunkt von {}</translation>
    </message>
    <message>
        <source>no knob was named, and none is unknown in the patch: say which ones may be turned</source>
        <translation>kein Regler wurde genannt, und keiner ist im Patch unbekannt: angeben, welche gedreht werden dürfen</translation>
    </message>
    <message>
        <source>unlike before</source>
        <translation>unähnlich vorher</translation>
    </message>
    <message>
        <source>unlike now</source>
        <translation>unähnlich jetzt</translation>
    </message>
    <message>
        <source>silent runs</source>
        <translation>stille Läufe</translation>
    </message>
    <message>
        <source>With these knobs it is like the recording, to {}; before it was {} off.</source>
        <translation>Mit diesen Reglern gleicht es der Aufnahme auf {}; vorher lag es {} daneben.</translation>
    </message>
    <message>
        <source>These knobs alone do not make it like the recording: {} are left of {}. Let more of them be turned, or look for another difference.</source>
        <translation>Diese Regler allein machen es der Aufnahme nicht gleich: von {1} bleiben {0}. Mehr Regler freigeben oder nach einem anderen Unterschied suchen.</translation>
    </message>
    <message>
        <source>{} of {} hardly matters here: the recording cannot tell where it stands.</source>
        <translation>{} von {} ist hier kaum von Belang: Die Aufnahme kann nicht sagen, wo er steht.</translation>
    </message>
    <message>
        <source>Take what was found into the patch</source>
        <translation>Gefundenes in den Patch übernehmen</translation>
    </message>
    <message>
        <source>Turn {} of {} to {} · {}</source>
        <translation>{} von {} auf {} · {} drehen</translation>
    </message>
    <message>
        <source>there is no jack {} in this patch</source>
        <translation>in diesem Patch gibt es keine Buchse {}</translation>
    </message>
    <message>
        <source>{} is an input; the way begins at an output</source>
        <translation>{} ist ein Eingang; der Weg beginnt an einem Ausgang</translation>
    </message>
    <message>
        <source>nothing leads to a way out of the case; tie one to the line out first</source>
        <translation>nichts führt aus dem Gehäuse hinaus; zuerst etwas mit dem Line-Ausgang verbinden</translation>
    </message>
    <message>
        <source>{} does not lead to a way out of the case</source>
        <translation>{} führt nicht aus dem Gehäuse hinaus</translation>
    </message>
    <message>
        <source>Stage by stage, in dB of ±10 V</source>
        <translation>Stufe für Stufe, in dB von ±10 V</translation>
    </message>
    <message>
        <source>the rails</source>
        <translation>Versorgungsgrenze</translation>
    </message>
    <message>
        <source>RMS</source>
        <translation>RMS</translation>
    </message>
    <message>
        <source>floor, with the source muted</source>
        <translation>Grund, Quelle stumm</translation>
    </message>
    <message>
        <source>headroom</source>
        <translation>Reserve</translation>
    </message>
    <message>
        <source>crest</source>
        <translation>Scheitel</translation>
    </message>
    <message>
        <source>beyond ±10 V</source>
        <translation>über ±10 V</translation>
    </message>
    <message>
        <source>gain</source>
        <translation>Verstärkung</translation>
    </message>
    <message>
        <source>polarity</source>
        <translation>Polarität</translation>
    </message>
    <message>
        <source>with the source muted</source>
        <translation>mit stummer Quelle</translation>
    </message>
    <message>
        <source>What comes together in {}</source>
        <translation>Was in {} zusammenkommt</translation>
    </message>
    <message>
        <source>Turning over {} brings that sum to {:.1f} V with {} of DC.</source>
        <translation>Umpolen von {} bringt die Summe auf {:.1f} V mit {} Gleichspannung.</translation>
    </message>
    <message>
        <source>with {} turned over</source>
        <translation>mit {} umgepolt</translation>
    </message>
    <message>
        <source>Turn over {}</source>
        <translation>{} umpolen</translation>
    </message>
    <message>
        <source>way out, peak</source>
        <translation>Ausgang, Spitze</translation>
    </message>
    <message>
        <source>in dBFS</source>
        <translation>in dBFS</translation>
    </message>
    <message>
        <source>in dBu, RMS</source>
        <translation>in dBu, RMS</translation>
    </message>
    <message>
        <source>in dBV, RMS</source>
        <translation>in dBV, RMS</translation>
    </message>
    <message>
        <source>loudness</source>
        <translation>Lautheit</translation>
    </message>
    <message>
        <source>peak {:.1f} V instead of {:.1f} V</source>
        <translation>Spitze {:.1f} V statt {:.1f} V</translation>
    </message>
    <message>
        <source>Nothing sounds along the way: {} gives {}.</source>
        <translation>Unterwegs klingt nichts: {} gibt {}.</translation>
    </message>
    <message>
        <source>{} goes beyond ±10 V: {:.1f} V at its peak.</source>
        <translation>{} geht über ±10 V hinaus: {:.1f} V in der Spitze.</translation>
    </message>
    <message>
        <source>Nothing clips: the hottest stage is {} with {:.1f} V, {:.1f} dB below the rails; {:.1f} dBFS leave the case.</source>
        <translation>Nichts übersteuert: Die heißeste Stufe ist {} mit {:.1f} V, {:.1f} dB unter der Versorgungsgrenze; {:.1f} dBFS verlassen das Gehäuse.</translation>
    </message>
    <message>
        <source>{} of its stages turn the wave over.</source>
        <translation>{} der Stufen polen die Welle um.</translation>
    </message>
    <message>
        <source>It is a note of the key.</source>
        <translation>Es ist ein Ton der Tonart.</translation>
    </message>
    <message>
        <source>It is no note of the key; {} is the nearest, {:.0f} cents away.</source>
        <translation>Es ist kein Ton der Tonart; der nächste ist {}, {:.0f} Cent entfernt.</translation>
    </message>
    <message>
        <source>Pitch against time</source>
        <translation>Tonhöhe über der Zeit</translation>
    </message>
    <message>
        <source>nearest note</source>
        <translation>nächster Ton</translation>
    </message>
    <message>
        <source>as a pitch voltage</source>
        <translation>als Tonhöhenspannung</translation>
    </message>
    <message>
        <source>against the key</source>
        <translation>gegen die Tonart</translation>
    </message>
    <message>
        <source>against the tuning</source>
        <translation>gegen die Stimmung</translation>
    </message>
    <message>
        <source>frequency</source>
        <translation>Frequenz</translation>
    </message>
    <message>
        <source>{} stands at {:+.3f} V, which plays {}.</source>
        <translation>{} steht bei {:+.3f} V, das spielt {}.</translation>
    </message>
    <message>
        <source>{} is silent: there is no note to be heard.</source>
        <translation>{} ist still: Es ist kein Ton zu hören.</translation>
    </message>
    <message>
        <source>{} is too short to have a pitch: {}.</source>
        <translation>{} ist zu kurz für eine Tonhöhe: {}.</translation>
    </message>
    <message>
        <source>vibrato</source>
        <translation>Vibrato</translation>
    </message>
    <message>
        <source>its depth, to either side</source>
        <translation>seine Tiefe nach jeder Seite</translation>
    </message>
    <message>
        <source>glides</source>
        <translation>Gleittöne</translation>
    </message>
    <message>
        <source>a glide takes</source>
        <translation>ein Gleiten dauert</translation>
    </message>
    <message>
        <source>tail</source>
        <translation>Ausklang</translation>
    </message>
    <message>
        <source>hits read</source>
        <translation>gelesene Schläge</translation>
    </message>
    <message>
        <source>falls from</source>
        <translation>fällt von</translation>
    </message>
    <message>
        <source>click, above 200 Hz</source>
        <translation>Klick, über 200 Hz</translation>
    </message>
    <message>
        <source>The hits come to rest at {}.</source>
        <translation>Die Schläge kommen bei {} zur Ruhe.</translation>
    </message>
    <message>
        <source>{} sounds {}: that is what {} restarts it at.</source>
        <translation>{} klingt als {}: So oft startet {} es neu.</translation>
    </message>
    <message>
        <source>{} sounds {}, swaying {:.0f} cents to either side {:.1f} times a second.</source>
        <translation>{} klingt als {} und schwankt {:.0f} Cent nach jeder Seite, {:.1f}-mal je Sekunde.</translation>
    </message>
    <message>
        <source>{} sounds {}.</source>
        <translation>{} klingt als {}.</translation>
    </message>
    <message>
        <source>overtones, nearly a sine</source>
        <translation>Obertöne, fast ein Sinus</translation>
    </message>
    <message>
        <source>notes held</source>
        <translation>gehaltene Töne</translation>
    </message>
    <message>
        <source>in their order</source>
        <translation>der Reihe nach</translation>
    </message>
    <message>
        <source>lowest</source>
        <translation>tiefster Wert</translation>
    </message>
    <message>
        <source>highest</source>
        <translation>höchster Wert</translation>
    </message>
    <message>
        <source>farthest off a note</source>
        <translation>am weitesten neben einem Ton</translation>
    </message>
    <message>
        <source>outside the key</source>
        <translation>außerhalb der Tonart</translation>
    </message>
    <message>
        <source>farthest off the tuning</source>
        <translation>am weitesten neben der Stimmung</translation>
    </message>
    <message>
        <source>{} plays {} notes from {} to {}: {} sets them.</source>
        <translation>{} spielt {} Töne von {} bis {}: {} gibt sie vor.</translation>
    </message>
    <message>
        <source>{} plays {} notes from {} to {}, at most {:.0f} cents off.</source>
        <translation>{} spielt {} Töne von {} bis {}, höchstens {:.0f} Cent daneben.</translation>
    </message>
    <message>
        <source>All of them are notes of the key.</source>
        <translation>Alle sind Töne der Tonart.</translation>
    </message>
    <message>
        <source>{} of them are no notes of the key.</source>
        <translation>{} davon gehören nicht zur Tonart.</translation>
    </message>
    <message>
        <source>repeats itself at</source>
        <translation>wiederholt sich mit</translation>
    </message>
    <message>
        <source>after</source>
        <translation>nach</translation>
    </message>
    <message>
        <source>alike by</source>
        <translation>ähnlich zu</translation>
    </message>
    <message>
        <source>{} has no steady pitch, but rings at {}: it repeats itself after {}, as behind an echo.</source>
        <translation>{} hat keine feste Tonhöhe, schwingt aber bei {}: Es wiederholt sich nach {}, wie hinter einem Echo.</translation>
    </message>
    <message>
        <source>{} has no pitch that could be named: it never repeats itself.</source>
        <translation>{} hat keine Tonhöhe, die sich nennen ließe: Es wiederholt sich nie.</translation>
    </message>
    <message>
        <source>{} is silent: record what leaves the case, with the patch playing</source>
        <translation>{} ist still: aufnehmen, was das Gehäuse verlässt, während der Patch spielt</translation>
    </message>
    <message>
        <source>the simulation is silent at {}: mend the patch first, or choose another jack</source>
        <translation>die Simulation ist bei {} still: zuerst den Patch reparieren oder eine andere Buchse wählen</translation>
    </message>
    <message>
        <source>{} and the simulation have nothing in common: is it a recording of this patch, from its start?</source>
        <translation>{} und die Simulation haben nichts gemeinsam: Ist es eine Aufnahme dieses Patches, von Anfang an?</translation>
    </message>
    <message>
        <source>begins at</source>
        <translation>beginnt bei</translation>
    </message>
    <message>
        <source>its clock runs longer by</source>
        <translation>ihre Uhr läuft länger um</translation>
    </message>
    <message>
        <source>waves alike by</source>
        <translation>Wellen ähnlich zu</translation>
    </message>
    <message>
        <source>recorded louder by</source>
        <translation>lauter aufgenommen um</translation>
    </message>
    <message>
        <source>pitch off by, as a rule</source>
        <translation>Tonhöhe meist daneben um</translation>
    </message>
    <message>
        <source>more in each octave</source>
        <translation>mehr je Oktave</translation>
    </message>
    <message>
        <source>at {}</source>
        <translation>bei {}</translation>
    </message>
    <message>
        <source>{:.0f} cents flat</source>
        <translation>{:.0f} Cent zu tief</translation>
    </message>
    <message>
        <source>{:.0f} cents sharp</source>
        <translation>{:.0f} Cent zu hoch</translation>
    </message>
    <message>
        <source>its octaves are off by {:+.0f} cents each</source>
        <translation>seine Oktaven liegen je {:+.0f} Cent daneben</translation>
    </message>
    <message>
        <source>Cents that the real one stands above the simulation, by note</source>
        <translation>Cent, um die das echte über der Simulation liegt, nach Ton</translation>
    </message>
    <message>
        <source>as simulated</source>
        <translation>wie simuliert</translation>
    </message>
    <message>
        <source>hits, simulated · real</source>
        <translation>Schläge, simuliert · echt</translation>
    </message>
    <message>
        <source>time down by 20 dB</source>
        <translation>Zeit bis −20 dB</translation>
    </message>
    <message>
        <source>decay {:.0f} % shorter</source>
        <translation>Abfall {:.0f} % kürzer</translation>
    </message>
    <message>
        <source>decay {:.0f} % longer</source>
        <translation>Abfall {:.0f} % länger</translation>
    </message>
    <message>
        <source>tail off by</source>
        <translation>Ausklang daneben um</translation>
    </message>
    <message>
        <source>tail {:.0f} cents flat</source>
        <translation>Ausklang {:.0f} Cent zu tief</translation>
    </message>
    <message>
        <source>tail {:.0f} cents sharp</source>
        <translation>Ausklang {:.0f} Cent zu hoch</translation>
    </message>
    <message>
        <source>Both in thirds of an octave, at one loudness</source>
        <translation>Beide in Terzen, gleich laut</translation>
    </message>
    <message>
        <source>largest band difference</source>
        <translation>größter Unterschied eines Bands</translation>
    </message>
    <message>
        <source>{:.0f} dB less around {}</source>
        <translation>{:.0f} dB weniger um {}</translation>
    </message>
    <message>
        <source>{:.0f} dB more around {}</source>
        <translation>{:.0f} dB mehr um {}</translation>
    </message>
    <message>
        <source>floor, simulated · real</source>
        <translation>Grund, simuliert · echt</translation>
    </message>
    <message>
        <source>noise {:.0f} dB higher</source>
        <translation>Rauschen {:.0f} dB höher</translation>
    </message>
    <message>
        <source>Both over each other, at one gain</source>
        <translation>Beide übereinander, gleich verstärkt</translation>
    </message>
    <message>
        <source>The real one is like this: nothing that is measured differs by more than it would matter.</source>
        <translation>Das echte ist auch so: Nichts Gemessenes weicht nennenswert ab.</translation>
    </message>
    <message>
        <source>The real one differs</source>
        <translation>Das echte weicht ab</translation>
    </message>
    <message>
        <source>{:.4f}:1, {:+.1f} cents</source>
        <translation>{:.4f}:1, {:+.1f} Cent</translation>
    </message>
    <message>
        <source>{}:{} {:+.1f} cents</source>
        <translation>{}:{} {:+.1f} Cent</translation>
    </message>
    <message>
        <source>{}:{} {:+.1f} cents: an octave</source>
        <translation>{}:{} {:+.1f} Cent: eine Oktave</translation>
    </message>
    <message>
        <source>{}:{} {:+.1f} cents: {} octaves</source>
        <translation>{}:{} {:+.1f} Cent: {} Oktaven</translation>
    </message>
    <message>
        <source>{}:{} {:+.1f} cents: an octave and</source>
        <translation>{}:{} {:+.1f} Cent: eine Oktave und</translation>
    </message>
    <message>
        <source>{}:{} {:+.1f} cents: {} octaves and</source>
        <translation>{}:{} {:+.1f} Cent: {} Oktaven und</translation>
    </message>
    <message>
        <source>Cents above the lowest</source>
        <translation>Cent über dem tiefsten</translation>
    </message>
    <message>
        <source>against the first</source>
        <translation>gegen das erste</translation>
    </message>
    <message>
        <source>as a ratio</source>
        <translation>als Verhältnis</translation>
    </message>
    <message>
        <source>beats</source>
        <translation>Schwebung</translation>
    </message>
    <message>
        <source>{} stands above {}</source>
        <translation>{} liegt über {}</translation>
    </message>
    <message>
        <source>{} stands below {}</source>
        <translation>{} liegt unter {}</translation>
    </message>
    <message>
        <source>at most off by</source>
        <translation>höchstens daneben um</translation>
    </message>
    <message>
        <source>all repeat after</source>
        <translation>alles wiederholt sich nach</translation>
    </message>
    <message>
        <source>They stand {}, at most {:.1f} cents off, and repeat every {}.</source>
        <translation>Sie stehen {}, höchstens {:.1f} Cent daneben, und wiederholen sich alle {}.</translation>
    </message>
    <message>
        <source>They stand {}, at most {:.1f} cents off</source>
        <translation>Sie stehen {}, höchstens {:.1f} Cent daneben</translation>
    </message>
    <message>
        <source>They stand in no simple ratio: whole numbers up to 32 do not fit within 20 cents.</source>
        <translation>Sie stehen in keinem einfachen Verhältnis: Ganze Zahlen bis 32 passen nicht auf 20 Cent.</translation>
    </message>
    <message>
        <source>Gates on one time</source>
        <translation>Gates auf einer Zeitachse</translation>
    </message>
    <message>
        <source>Too few pulses came to compare: {} and {}.</source>
        <translation>Zu wenige Impulse zum Vergleich: {} und {}.</translation>
    </message>
    <message>
        <source>rate of {}</source>
        <translation>Takt von {}</translation>
    </message>
    <message>
        <source>comes after the first by</source>
        <translation>kommt nach dem ersten um</translation>
    </message>
    <message>
        <source>unevenness</source>
        <translation>Unregelmäßigkeit</translation>
    </message>
    <message>
        <source>meet again every</source>
        <translation>treffen sich alle</translation>
    </message>
    <message>
        <source>{} and {} keep no common time: {} against {}.</source>
        <translation>{} und {} haben keinen gemeinsamen Takt: {} gegen {}.</translation>
    </message>
    <message>
        <source>{} and {} come together.</source>
        <translation>{} und {} kommen zugleich.</translation>
    </message>
    <message>
        <source>{} comes {} after {}.</source>
        <translation>{} kommt {} nach {}.</translation>
    </message>
    <message>
        <source>{} comes {} before {}.</source>
        <translation>{} kommt {} vor {}.</translation>
    </message>
    <message>
        <source>{} pulses of {} for {} of {}; they meet every {}.</source>
        <translation>{} Impulse von {} auf {} von {}; sie treffen sich alle {}.</translation>
    </message>
    <message>
        <source>{} traces on one time</source>
        <translation>{} Kurven auf einer Zeitachse</translation>
    </message>
    <message>
        <source>One of them stands still, so that nothing can be said of how they move together.</source>
        <translation>Eines steht still, darum lässt sich nicht sagen, wie sie sich zusammen bewegen.</translation>
    </message>
    <message>
        <source>correlation</source>
        <translation>Korrelation</translation>
    </message>
    <message>
        <source>at its best</source>
        <translation>bestenfalls</translation>
    </message>
    <message>
        <source>that much later</source>
        <translation>um so viel später</translation>
    </message>
    <message>
        <source>{} and {} have nothing to do with each other (correlation {:+.2f}).</source>
        <translation>{} und {} haben nichts miteinander zu tun (Korrelation {:+.2f}).</translation>
    </message>
    <message>
        <source>{} goes with {} (correlation {:+.2f}).</source>
        <translation>{} geht mit {} (Korrelation {:+.2f}).</translation>
    </message>
    <message>
        <source>{} goes against {} (correlation {:+.2f}).</source>
        <translation>{} geht gegen {} (Korrelation {:+.2f}).</translation>
    </message>
    <message>
        <source>{} follows {} after {} (correlation {:+.2f}).</source>
        <translation>{} folgt {} nach {} (Korrelation {:+.2f}).</translation>
    </message>
    <message>
        <source>{} comes {} before {} (correlation {:+.2f}).</source>
        <translation>{} kommt {} vor {} (Korrelation {:+.2f}).</translation>
    </message>
    <message>
        <source>One alone relates to nothing: add a second jack or recording.</source>
        <translation>Eines allein steht zu nichts: eine zweite Buchse oder Aufnahme hinzufügen.</translation>
    </message>
    <message>
        <source>cut by {}</source>
        <translation>geschnitten von {}</translation>
    </message>
    <message>
        <source>cut where the sound begins</source>
        <translation>geschnitten, wo der Klang beginnt</translation>
    </message>
    <message>
        <source>{} hits over each other</source>
        <translation>{} Schläge übereinander</translation>
    </message>
    <message>
        <source>hit {}</source>
        <translation>Schlag {}</translation>
    </message>
    <message>
        <source>Difference from the first, per hit</source>
        <translation>Abweichung vom ersten, je Schlag</translation>
    </message>
    <message>
        <source>{} holds no hits: nothing in it begins.</source>
        <translation>{} enthält keine Schläge: Nichts darin beginnt.</translation>
    </message>
    <message>
        <source>{} holds one hit only: there is nothing to compare it with.</source>
        <translation>{} enthält nur einen Schlag: Es gibt nichts zum Vergleichen.</translation>
    </message>
    <message>
        <source>hits found</source>
        <translation>gefundene Schläge</translation>
    </message>
    <message>
        <source>hits compared</source>
        <translation>verglichene Schläge</translation>
    </message>
    <message>
        <source>usual difference</source>
        <translation>übliche Abweichung</translation>
    </message>
    <message>
        <source>worst, hit {}</source>
        <translation>am meisten, Schlag {}</translation>
    </message>
    <message>
        <source>where it differs most</source>
        <translation>wo es am meisten abweicht</translation>
    </message>
    <message>
        <source>latest or earliest by</source>
        <translation>spätestens oder frühestens um</translation>
    </message>
    <message>
        <source>loudest after</source>
        <translation>am lautesten nach</translation>
    </message>
    <message>
        <source>tail against the key</source>
        <translation>Ausklang gegen die Tonart</translation>
    </message>
    <message>
        <source>down by 20 dB</source>
        <translation>20 dB leiser nach</translation>
    </message>
    <message>
        <source>down by 60 dB</source>
        <translation>60 dB leiser nach</translation>
    </message>
    <message>
        <source>down by 60 dB, by its slope</source>
        <translation>60 dB leiser, aus dem Gefälle</translation>
    </message>
    <message>
        <source>free before the next</source>
        <translation>frei vor dem nächsten</translation>
    </message>
    <message>
        <source>level, spread</source>
        <translation>Pegel, Streuung</translation>
    </message>
    <message>
        <source>level over {}</source>
        <translation>Pegel über {}</translation>
    </message>
    <message>
        <source>All {} hits are the same to {}.</source>
        <translation>Alle {} Schläge sind auf {} gleich.</translation>
    </message>
    <message>
        <source>The hits are the same to {}, but hit {} differs by {}: {} after its trigger, {:+.1f} dB.</source>
        <translation>Die Schläge sind auf {} gleich, aber Schlag {} weicht um {} ab: {} nach seinem Auslöser, {:+.1f} dB.</translation>
    </message>
    <message>
        <source>No two hits are the same: they differ by {} as a rule, most {} after the trigger.</source>
        <translation>Keine zwei Schläge sind gleich: Sie weichen meist um {} ab, am stärksten {} nach dem Auslöser.</translation>
    </message>
    <message>
        <source>The tail stands at {} and has ended {} before the next hit.</source>
        <translation>Der Ausklang steht bei {} und endet {} vor dem nächsten Schlag.</translation>
    </message>
    <message>
        <source>The tail stands at {}; the next hit cuts it off {} before it is 60 dB down.</source>
        <translation>Der Ausklang steht bei {}; der nächste Schlag schneidet ihn {} ab, bevor er um 60 dB gefallen ist.</translation>
    </message>
    <message>
        <source>The tail stands at {}.</source>
        <translation>Der Ausklang steht bei {}.</translation>
    </message>
    <message>
        <source>stands still</source>
        <translation>steht still</translation>
    </message>
    <message>
        <source>above half way</source>
        <translation>über der Mitte</translation>
    </message>
    <message>
        <source>rise, 10 to 90 %</source>
        <translation>Anstieg, 10 bis 90 %</translation>
    </message>
    <message>
        <source>fall, 90 to 10 %</source>
        <translation>Abfall, 90 bis 10 %</translation>
    </message>
    <message>
        <source>overshoot</source>
        <translation>Überschwingen</translation>
    </message>
    <message>
        <source>attack ends</source>
        <translation>Attack endet</translation>
    </message>
    <message>
        <source>decay takes</source>
        <translation>Decay dauert</translation>
    </message>
    <message>
        <source>when the gate closes</source>
        <translation>wenn das Gate schließt</translation>
    </message>
    <message>
        <source>gate open</source>
        <translation>Gate offen</translation>
    </message>
    <message>
        <source>release takes</source>
        <translation>Release dauert</translation>
    </message>
    <message>
        <source>One trace</source>
        <translation>Eine Kurve</translation>
    </message>
    <message>
        <source>{} across, {} up</source>
        <translation>{} waagrecht, {} senkrecht</translation>
    </message>
    <message>
        <source>{} stands still at {}.</source>
        <translation>{} steht still bei {}.</translation>
    </message>
    <message>
        <source>{} moves between {} and {} and does not repeat itself.</source>
        <translation>{} bewegt sich zwischen {} und {} und wiederholt sich nicht.</translation>
    </message>
    <message>
        <source>{} is a pulse of {} width, {} to {}, at {}.</source>
        <translation>{} ist ein Puls von {} Breite, {} bis {}, mit {}.</translation>
    </message>
    <message>
        <source>{} swings between {} and {} at {}.</source>
        <translation>{} schwingt zwischen {} und {} mit {}.</translation>
    </message>
    <message>
        <source>{} rises to {} in {}, falls in {} to a sustain of {}, and is gone {} after the gate.</source>
        <translation>{0} steigt in {2} auf {1}, fällt in {3} auf ein Sustain von {4} und ist {5} nach dem Gate vorbei.</translation>
    </message>
    <message>
        <source>{} rises to {} in {} and falls in {} to a sustain of {}; its release is cut off.</source>
        <translation>{0} steigt in {2} auf {1} und fällt in {3} auf ein Sustain von {4}; sein Release wird abgeschnitten.</translation>
    </message>
    <message>
        <source>{} rises to {} in {} and never comes to rest while the gate is open; it closes after {} at {}.</source>
        <translation>{0} steigt in {2} auf {1} und kommt nicht zur Ruhe, solange das Gate offen ist; es schließt nach {3} bei {4}.</translation>
    </message>
    <message>
        <source>Its stages are straight lines; ends are where they meet.</source>
        <translation>Seine Stufen sind gerade Linien; sie enden, wo diese sich treffen.</translation>
    </message>
    <message>
        <source>Its stages bend; one counts as ended within 1 % of its way.</source>
        <translation>Seine Stufen sind gebogen; eine gilt 1 % vor ihrem Ziel als beendet.</translation>
    </message>
    <message>
        <source>attack</source>
        <translation>Attack</translation>
    </message>
    <message>
        <source>decay</source>
        <translation>Decay</translation>
    </message>
    <message>
        <source>gate closes</source>
        <translation>Gate schließt</translation>
    </message>
    <message>
        <source>phase against the first</source>
        <translation>Phase gegen das erste</translation>
    </message>
    <message>
        <source>{} goes with it</source>
        <translation>{} geht mit</translation>
    </message>
    <message>
        <source>{} is its opposite</source>
        <translation>{} ist das Gegenteil</translation>
    </message>
    <message>
        <source>{} leads it by {:.1f}° ({})</source>
        <translation>{} eilt um {:.1f}° vor ({})</translation>
    </message>
    <message>
        <source>{} follows it by {:.1f}° ({})</source>
        <translation>{} folgt um {:.1f}° ({})</translation>
    </message>
    <message>
        <source>there is no jack {} in this patch; lariat-cli check --json names them all</source>
        <translation>in diesem Patch gibt es keine Buchse {}; lariat-cli check --json nennt alle</translation>
    </message>
    <message>
        <source>holds no samples</source>
        <translation>enthält keine Samples</translation>
    </message>
    <message>
        <source>has {} channels; choose one from 1 to {}</source>
        <translation>hat {} Kanäle; einen von 1 bis {} wählen</translation>
    </message>
    <message>
        <source>claims {} samples a second, too few to measure anything</source>
        <translation>behauptet {} Samples je Sekunde, zu wenige zum Messen</translation>
    </message>
    <message>
        <source>is {:.1f} s long; {:.1f} s lie behind its end</source>
        <translation>ist {:.1f} s lang; {:.1f} s liegen hinter dem Ende</translation>
    </message>
    <message>
        <source>cannot be read from {:.1f} s on</source>
        <translation>lässt sich ab {:.1f} s nicht lesen</translation>
    </message>
    <message>
        <source>sample {} is not a number; cut the recording there, or write it anew</source>
        <translation>Sample {} ist keine Zahl; die Aufnahme dort schneiden oder neu schreiben</translation>
    </message>
    <message>
        <source>{} is no input of this patch</source>
        <translation>{} ist kein Eingang dieses Patches</translation>
    </message>
    <message>
        <source>{} is no output of this patch</source>
        <translation>{} ist kein Ausgang dieses Patches</translation>
    </message>
    <message>
        <source>from {:g} V to {:g} V by {:g} V is no range</source>
        <translation>von {:g} V bis {:g} V in {:g} V ist kein Bereich</translation>
    </message>
    <message>
        <source>the module {} is missing</source>
        <translation>das Modul {} fehlt</translation>
    </message>
    <message>
        <source>{} sounds no pitch while {} is played, so that its tracking cannot be told.</source>
        <translation>{} hat keine Tonhöhe, während {} gespielt wird, darum lässt sich die Spur nicht prüfen.</translation>
    </message>
    <message>
        <source>Cents off one volt an octave, by the voltage</source>
        <translation>Cent neben einem Volt je Oktave, nach der Spannung</translation>
    </message>
    <message>
        <source>at {:+.1f} V</source>
        <translation>bei {:+.1f} V</translation>
    </message>
    <message>
        <source>one volt an octave</source>
        <translation>ein Volt je Oktave</translation>
    </message>
    <message>
        <source>an octave is too wide by</source>
        <translation>eine Oktave ist zu weit um</translation>
    </message>
    <message>
        <source>farthest off</source>
        <translation>am weitesten daneben</translation>
    </message>
    <message>
        <source>{} tracks from {:+.1f} to {:+.1f} V within {:.1f} cents.</source>
        <translation>{} folgt von {:+.1f} bis {:+.1f} V auf {:.1f} Cent genau.</translation>
    </message>
    <message>
        <source>{} does not track: {} off at {:+.1f} V, {:+.1f} cents in each octave.</source>
        <translation>{} folgt nicht: {} daneben bei {:+.1f} V, {:+.1f} Cent je Oktave.</translation>
    </message>
    <message>
        <source>unison</source>
        <translation>Prime</translation>
    </message>
    <message>
        <source>minor second</source>
        <translation>kleine Sekunde</translation>
    </message>
    <message>
        <source>small whole tone</source>
        <translation>kleiner Ganzton</translation>
    </message>
    <message>
        <source>whole tone</source>
        <translation>Ganzton</translation>
    </message>
    <message>
        <source>small minor third</source>
        <translation>enge kleine Terz</translation>
    </message>
    <message>
        <source>minor third</source>
        <translation>kleine Terz</translation>
    </message>
    <message>
        <source>major third</source>
        <translation>große Terz</translation>
    </message>
    <message>
        <source>wide major third</source>
        <translation>weite große Terz</translation>
    </message>
    <message>
        <source>fourth</source>
        <translation>Quarte</translation>
    </message>
    <message>
        <source>small tritone</source>
        <translation>kleiner Tritonus</translation>
    </message>
    <message>
        <source>wide tritone</source>
        <translation>großer Tritonus</translation>
    </message>
    <message>
        <source>fifth</source>
        <translation>Quinte</translation>
    </message>
    <message>
        <source>minor sixth</source>
        <translation>kleine Sexte</translation>
    </message>
    <message>
        <source>major sixth</source>
        <translation>große Sexte</translation>
    </message>
    <message>
        <source>natural seventh</source>
        <translation>Naturseptime</translation>
    </message>
    <message>
        <source>minor seventh</source>
        <translation>kleine Septime</translation>
    </message>
    <message>
        <source>major seventh</source>
        <translation>große Septime</translation>
    </message>
    <message>
        <source>major triad</source>
        <translation>Dur-Dreiklang</translation>
    </message>
    <message>
        <source>minor triad</source>
        <translation>Moll-Dreiklang</translation>
    </message>
    <message>
        <source>open fifth</source>
        <translation>leere Quinte</translation>
    </message>
    <message>
        <source>suspended fourth</source>
        <translation>Quartvorhalt</translation>
    </message>
    <message>
        <source>suspended second</source>
        <translation>Sekundvorhalt</translation>
    </message>
    <message>
        <source>diminished triad</source>
        <translation>verminderter Dreiklang</translation>
    </message>
    <message>
        <source>augmented triad</source>
        <translation>übermäßiger Dreiklang</translation>
    </message>
    <message>
        <source>open major triad</source>
        <translation>weiter Dur-Dreiklang</translation>
    </message>
    <message>
        <source>open minor triad</source>
        <translation>weiter Moll-Dreiklang</translation>
    </message>
    <message>
        <source>{} of {} has no room to be turned</source>
        <translation>{} von {} hat keinen Raum zum Drehen</translation>
    </message>
    <message>
        <source>two notes at least are needed; three, two octaves apart, tell best</source>
        <translation>mindestens zwei Töne werden gebraucht; drei, je zwei Oktaven auseinander, sagen am meisten</translation>
    </message>
    <message>
        <source>{:g} Hz is no pitch</source>
        <translation>{:g} Hz ist keine Tonhöhe</translation>
    </message>
    <message>
        <source>the notes lie less than an octave apart, which tells nothing of an octave</source>
        <translation>die Töne liegen weniger als eine Oktave auseinander, das sagt nichts über eine Oktave</translation>
    </message>
    <message>
        <source>{} of {} is no pitch input of one volt an octave</source>
        <translation>{} von {} ist kein Tonhöheneingang mit einem Volt je Oktave</translation>
    </message>
    <message>
        <source>{:+.0f} cents an octave are no tracking</source>
        <translation>{:+.0f} Cent je Oktave sind keine Spur</translation>
    </message>
    <message>
        <source>{} stands at the rails: {:.1f} V at its peak.</source>
        <translation>{} steht an der Versorgungsgrenze: {:.1f} V in der Spitze.</translation>
    </message>
    <message>
        <source>and more</source>
        <translation>und mehr</translation>
    </message>
    <message>
        <source>Keep with {}</source>
        <translation>Bei {} vermerken</translation>
    </message>
    <message>
        <source>an octave at {} is {:+.1f} cents wide</source>
        <translation>eine Oktave an {} ist um {:+.1f} Cent zu weit</translation>
    </message>
    <message>
        <source>{} is off by {:+.2f} dB and {:+.0f} mV</source>
        <translation>{} liegt um {:+.2f} dB und {:+.0f} mV daneben</translation>
    </message>
    <message>
        <source>its noise is {:.0f} µV</source>
        <translation>sein Rauschen beträgt {:.0f} µV</translation>
    </message>
    <message>
        <source>Spectrum, Blackman-Harris over {} each, the mean of {}</source>
        <translation>Spektrum, Blackman-Harris über je {}, das Mittel aus {}</translation>
    </message>
    <message>
        <source>way out, right</source>
        <translation>Ausgang, rechts</translation>
    </message>
    <message>
        <source>way out</source>
        <translation>Ausgang</translation>
    </message>
    <message>
        <source>a recording does not travel with the patch: ask of jacks alone</source>
        <translation>eine Aufnahme reist nicht mit dem Patch: nur nach Buchsen fragen</translation>
    </message>
    <message>
        <source>another patch does not travel with this one: ask of jacks alone</source>
        <translation>ein anderer Patch reist nicht mit diesem: nur nach Buchsen fragen</translation>
    </message>
    <message>
        <source>what is played into a jack is not kept with the patch</source>
        <translation>was in eine Buchse gespielt wird, bleibt nicht beim Patch</translation>
    </message>
    <message>
        <source>this version cannot ask it</source>
        <translation>diese Version kann das nicht fragen</translation>
    </message>
    <message>
        <source>floor of the real one</source>
        <translation>Rauschboden des echten</translation>
    </message>
    <message>
        <source>louder, in the mean</source>
        <translation>lauter, im Mittel</translation>
    </message>
    <message>
        <source>DC of the real one, more by</source>
        <translation>Gleichspannung des echten, mehr um</translation>
    </message>
    <message>
        <source>{} has no output &quot;{}&quot;</source>
        <translation>{} hat keinen Ausgang „{}“</translation>
    </message>
    <message>
        <source>{:+.1f} dB and {:+.2f} V are no trim of an output</source>
        <translation>{:+.1f} dB und {:+.2f} V sind kein Abgleich eines Ausgangs</translation>
    </message>
    <message>
        <source>{:g} µV are no noise of an output</source>
        <translation>{:g} µV sind kein Rauschen eines Ausgangs</translation>
    </message>
    <message>
        <source>the sheet has {} questions, and no room for more</source>
        <translation>auf dem Blatt stehen {} Fragen, mehr haben keinen Platz</translation>
    </message>
    <message>
        <source>Asked on the Bench</source>
        <translation>Beim Messen gefragt</translation>
    </message>
    <message>
        <source>its gain moves</source>
        <translation>seine Verstärkung wandert</translation>
    </message>
    <message>
        <source>{} adds</source>
        <translation>{} bringt</translation>
    </message>
    <message>
        <source>{} has no such line of steps</source>
        <translation>{} hat keine solche Zeile von Schritten</translation>
    </message>
    <message>
        <source>the step that a picture begins with is not kept with the patch: choose another beginning</source>
        <translation>der Schritt, mit dem ein Bild beginnt, bleibt nicht beim Patch: einen anderen Anfang wählen</translation>
    </message>
    <message>
        <source>the tuning that notes are held against is not kept with the patch: choose none</source>
        <translation>die Stimmung, an der Töne gemessen werden, bleibt nicht beim Patch: keine wählen</translation>
    </message>
    <message>
        <source>that is {} blocks; behind one panel there is room for {}</source>
        <translation>das sind {} Blöcke; hinter einer Frontplatte ist Platz für {}</translation>
    </message>
    <message>
        <source>nothing was chosen to go into the box</source>
        <translation>nichts wurde gewählt, das in die Kiste soll</translation>
    </message>
    <message>
        <source>there is no post &quot;{}&quot; in this patch</source>
        <translation>in diesem Patch gibt es keinen Pfosten „{}“</translation>
    </message>
    <message>
        <source>{} leads out of the case; a box leads out through its jacks</source>
        <translation>{} führt aus dem Gehäuse; eine Kiste führt durch ihre Buchsen hinaus</translation>
    </message>
    <message>
        <source>{} plays what belongs to the patch: it stays beside the box, tied to its jacks</source>
        <translation>{} spielt, was zum Patch gehört: er bleibt neben der Kiste, mit ihren Buchsen verbunden</translation>
    </message>
    <message>
        <source>a cable leads to {} of {}, from which nothing goes on: take it out first</source>
        <translation>ein Kabel führt zu {} von {}, von wo nichts weitergeht: erst herausnehmen</translation>
    </message>
    <message>
        <source>what comes to {} is scaled on its way, beyond what a wire behind a panel can: leave that post out of the box</source>
        <translation>was zu {} kommt, wird auf dem Weg stärker skaliert, als ein Draht hinter der Platte es kann: diesen Pfosten nicht in die Kiste nehmen</translation>
    </message>
    <message>
        <source>a box needs a name with letters</source>
        <translation>eine Kiste braucht einen Namen mit Buchstaben</translation>
    </message>
    <message>
        <source>no state was caught of {} yet</source>
        <translation>von {} wurde noch kein Zustand gefangen</translation>
    </message>
    <message>
        <source>no state of {} is called &quot;{}&quot;; there are {}</source>
        <translation>kein Zustand von {} heißt „{}“; es gibt {}</translation>
    </message>
    <message>
        <source>{} has no shift register whose state could be caught</source>
        <translation>{} hat kein Schieberegister, dessen Zustand zu fangen wäre</translation>
    </message>
    <message>
        <source>a state needs a name</source>
        <translation>ein Zustand braucht einen Namen</translation>
    </message>
    <message>
        <source>{} has a state {} already: forget it first, or give this one another name</source>
        <translation>{} hat schon einen Zustand {}: erst diesen vergessen oder dem neuen einen anderen Namen geben</translation>
    </message>
    <message>
        <source>there is a module {} already: give the box another name</source>
        <translation>ein Modul {} gibt es schon: der Kiste einen anderen Namen geben</translation>
    </message>
    <message>
        <source>this patch names no case that a box could stand in</source>
        <translation>dieser Patch nennt kein Gehäuse, in dem eine Kiste stehen könnte</translation>
    </message>
    <message>
        <source>missing from {}: {}</source>
        <translation>in {} fehlt: {}</translation>
    </message>
    <message>
        <source>Tie the trigger to {}</source>
        <translation>Den Trigger mit {} verbinden</translation>
    </message>
    <message>
        <source>{} is reset, {} is not</source>
        <translation>{} wird zurückgesetzt, {} nicht</translation>
    </message>
    <message>
        <source>After a stop {} goes on where it was while {} begins anew, and they part. Leave it if that is what you want.</source>
        <translation>Nach einem Halt läuft {} dort weiter, wo es war, während {} von vorn beginnt, und sie laufen auseinander. Ist das gewollt, kann es so bleiben.</translation>
    </message>
    <message>
        <source>Turn one of them over</source>
        <translation>Eine davon umkehren</translation>
    </message>
    <message>
        <source>Turn {} of them over</source>
        <translation>{} davon umkehren</translation>
    </message>
    <message>
        <source>The way there: {}.</source>
        <translation>Der Weg dorthin: {}.</translation>
    </message>
    <message>
        <source>Mends it: {}.</source>
        <translation>Abhilfe: {}.</translation>
    </message>
    <message>
        <source>free: {}, row {}</source>
        <translation>frei: {}, Reihe {}</translation>
    </message>
    <message>
        <source>{}, free</source>
        <translation>{}, frei</translation>
    </message>
    <message>
        <source>{}, in use {}×</source>
        <translation>{}, {}× benutzt</translation>
    </message>
    <message>
        <source>on the stand</source>
        <translation>auf dem Prüfstand</translation>
    </message>
    <message>
        <source>Test stand</source>
        <translation>Prüfstand</translation>
    </message>
    <message>
        <source>behind the panel</source>
        <translation>hinter der Platte</translation>
    </message>
    <message>
        <source>normals</source>
        <translation>Normalisierungen</translation>
    </message>
    <message>
        <source>Test tone</source>
        <translation>Testton</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>the PDF cannot have bookmarks: {}</source>
        <translation>das PDF kann keine Lesezeichen bekommen: {}</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no part that nobody knows</source>
        <translation>„{}“ ist kein Teil, das niemand kennt</translation>
    </message>
    <message>
        <source>write what it is called, as in &quot;unknown part grey box&quot;</source>
        <translation>schreiben, wie es heißt, etwa „unknown part graue Kiste“</translation>
    </message>
    <message>
        <source>cannot be told, {}</source>
        <translation>lässt sich nicht sagen, {}</translation>
    </message>
    <message>
        <source>cannot be told, nobody knows what {} is</source>
        <translation>lässt sich nicht sagen, niemand weiß, was {} ist</translation>
    </message>
    <message>
        <source>cannot be told, steps of {} are unknown</source>
        <translation>lässt sich nicht sagen, Schritte von {} sind unbekannt</translation>
    </message>
    <message>
        <source>nobody knows what {} is</source>
        <translation>niemand weiß, was {} ist</translation>
    </message>
    <message>
        <source>What comes in leaves at every output, for want of better. Choose the part of the case that it was, once that is clear.</source>
        <translation>Was hineingeht, kommt mangels Besserem an jedem Ausgang heraus. Das Teil des Gehäuses wählen, das es war, sobald das klar ist.</translation>
    </message>
    <message>
        <source>there is no output &quot;{}&quot;</source>
        <translation>es gibt keinen Ausgang „{}“</translation>
    </message>
    <message>
        <source>there is no input &quot;{}&quot;</source>
        <translation>es gibt keinen Eingang „{}“</translation>
    </message>
    <message>
        <source>one step unknown</source>
        <translation>ein Schritt unbekannt</translation>
    </message>
    <message>
        <source>{} steps unknown</source>
        <translation>{} Schritte unbekannt</translation>
    </message>
    <message>
        <source>{} to nobody knows where</source>
        <translation>{} wer weiß wohin</translation>
    </message>
    <message>
        <source>{} from nobody knows where</source>
        <translation>{} wer weiß woher</translation>
    </message>
    <message>
        <source>{} to &quot;{}&quot;, wherever that is</source>
        <translation>{} zu „{}“, wo immer das ist</translation>
    </message>
    <message>
        <source>{} from &quot;{}&quot;, wherever that is</source>
        <translation>{} von „{}“, wo immer das ist</translation>
    </message>
    <message>
        <source>chart, with what is different</source>
        <translation>Plan, mit den Unterschieden</translation>
    </message>
    <message>
        <source>step {} is not known any more</source>
        <translation>Schritt {} ist nicht mehr bekannt</translation>
    </message>
    <message>
        <source>step {} is not known</source>
        <translation>Schritt {} ist nicht bekannt</translation>
    </message>
    <message>
        <source>nobody knows where the cable at {} goes</source>
        <translation>niemand weiß, wohin das Kabel an {} geht</translation>
    </message>
    <message>
        <source>the cable at {} has no open end any more</source>
        <translation>das Kabel an {} hat kein offenes Ende mehr</translation>
    </message>
    <message>
        <source>a state that was caught</source>
        <translation>ein gefangener Zustand</translation>
    </message>
    <message>
        <source>there are {} open ends already; more are not kept</source>
        <translation>es gibt schon {} offene Enden; mehr werden nicht aufgehoben</translation>
    </message>
    <message>
        <source>there is an open end with the number {} already</source>
        <translation>es gibt schon ein offenes Ende mit der Nummer {}</translation>
    </message>
    <message>
        <source>there is no open end with the number {}</source>
        <translation>es gibt kein offenes Ende mit der Nummer {}</translation>
    </message>
    <message>
        <source>is the number of another open end already</source>
        <translation>ist schon die Nummer eines anderen offenen Endes</translation>
    </message>
    <message>
        <source>more than {} open ends are not kept</source>
        <translation>mehr als {} offene Enden werden nicht aufgehoben</translation>
    </message>
    <message>
        <source>should be written with x, X, ., ? and spaces only; character {} is another</source>
        <translation>sollte nur x, X, ., ? und Leerzeichen enthalten; Zeichen {} ist ein anderes</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is no way through the steps: write every 2, backward, pendulum, random, triplets, swing 62 or lock 2</source>
        <translation>„{}“ ist kein Weg durch die Schritte: schreiben Sie every 2, backward, pendulum, random, triplets, swing 62 oder lock 2</translation>
    </message>
    <message>
        <source>&quot;{}&quot; is a part that nobody knows</source>
        <translation>„{}“ ist ein Teil, das niemand kennt</translation>
    </message>
    <message>
        <source>{}: steps with a question mark are tried as they stand here</source>
        <translation>{}: Schritte mit Fragezeichen werden so versucht, wie sie hier stehen</translation>
    </message>
    <message>
        <source>{}: nobody knows what part it is</source>
        <translation>{}: niemand weiß, welches Teil es ist</translation>
    </message>
    <message>
        <source>{} is {} here</source>
        <translation>{} heißt hier {}</translation>
    </message>
    <message>
        <source>one open end</source>
        <translation>ein offenes Ende</translation>
    </message>
    <message>
        <source>{} open ends</source>
        <translation>{} offene Enden</translation>
    </message>
    <message>
        <source>one unknown part</source>
        <translation>ein unbekanntes Teil</translation>
    </message>
    <message>
        <source>{} unknown parts</source>
        <translation>{} unbekannte Teile</translation>
    </message>
    <message>
        <source>nobody knows what {} is: it stays beside the box</source>
        <translation>niemand weiß, was {} ist: es bleibt neben der Kiste</translation>
    </message>
    <message>
        <source>cable {}</source>
        <translation>Kabel {}</translation>
    </message>
    <message>
        <source>a clock can be had at {}: {}</source>
        <translation>einen Takt gibt es an {}: {}</translation>
    </message>
    <message>
        <source>The plug of cable {} breaks the wire behind the panel, and nothing else listens to {}.</source>
        <translation>Der Stecker von Kabel {} unterbricht den Draht hinter der Platte, und sonst hört nichts auf {}.</translation>
    </message>
</context>
<context>
    <name>lariat</name>
    <message>
        <source>Stock</source>
        <translation>Bestand</translation>
    </message>
    <message>
        <source>What have I, and what is left?</source>
        <translation>Was habe ich, und was ist noch frei?</translation>
    </message>
    <message>
        <source>Plan</source>
        <translation>Plan</translation>
    </message>
    <message>
        <source>How do I build that here?</source>
        <translation>Wie baue ich das hier?</translation>
    </message>
    <message>
        <source>Patch</source>
        <translation>Patch</translation>
    </message>
    <message>
        <source>What is tied to what, and what flows?</source>
        <translation>Was ist womit verbunden, und was fließt?</translation>
    </message>
    <message>
        <source>Time</source>
        <translation>Zeit</translation>
    </message>
    <message>
        <source>What happens when?</source>
        <translation>Was geschieht wann?</translation>
    </message>
    <message>
        <source>Bench</source>
        <translation>Messen</translation>
    </message>
    <message>
        <source>What is it, exactly?</source>
        <translation>Was ist es genau?</translation>
    </message>
    <message>
        <source>Sheet</source>
        <translation>Blatt</translation>
    </message>
    <message>
        <source>How do I build it again?</source>
        <translation>Wie baue ich es wieder auf?</translation>
    </message>
    <message>
        <source>Log</source>
        <translation>Log</translation>
    </message>
    <message>
        <source>What did I do, and what was better?</source>
        <translation>Was habe ich getan, und was war besser?</translation>
    </message>
    <message>
        <source>free · takes %1</source>
        <translation>frei · nimmt %1</translation>
    </message>
    <message>
        <source>free</source>
        <translation>frei</translation>
    </message>
    <message>
        <source>Cables</source>
        <translation>Kabel</translation>
    </message>
    <message>
        <source>%1 is there already. Is it to be replaced?</source>
        <translation>%1 gibt es schon. Soll es ersetzt werden?</translation>
    </message>
</context>
<context>
    <name>lariat::AskedPanel</name>
    <message>
        <source>Pin in Time</source>
        <translation>In Zeit anheften</translation>
    </message>
    <message>
        <source>Onto the sheet</source>
        <translation>Aufs Blatt</translation>
    </message>
    <message>
        <source>Questions</source>
        <translation>Fragen</translation>
    </message>
    <message>
        <source>Asked of</source>
        <translation>Gefragt wird</translation>
    </message>
    <message>
        <source>What is asked of; Del takes one out</source>
        <translation>Was gefragt wird; Entf nimmt eines heraus</translation>
    </message>
    <message>
        <source>Del takes one out; a double click shows it in the Patch</source>
        <translation>Entf nimmt eines heraus; ein Doppelklick zeigt es im Patch</translation>
    </message>
    <message>
        <source>Add a jack…</source>
        <translation>Buchse…</translation>
    </message>
    <message>
        <source>A recording…</source>
        <translation>Aufnahme…</translation>
    </message>
    <message>
        <source>Where it is listened to</source>
        <translation>Wo gehört wird</translation>
    </message>
    <message>
        <source>a silent run of</source>
        <translation>ein stiller Lauf</translation>
    </message>
    <message>
        <source>the running patch</source>
        <translation>der laufende Patch</translation>
    </message>
    <message>
        <source>Seconds of the silent run</source>
        <translation>Sekunden des stillen Laufs</translation>
    </message>
    <message>
        <source>as needed</source>
        <translation>nach Bedarf</translation>
    </message>
    <message>
        <source>as in the real case</source>
        <translation>wie im echten Gehäuse</translation>
    </message>
    <message>
        <source>As in the real case</source>
        <translation>Wie im echten Gehäuse</translation>
    </message>
    <message>
        <source>How long the picture is</source>
        <translation>Wie lang das Bild ist</translation>
    </message>
    <message>
        <source>as it fits</source>
        <translation>wie es passt</translation>
    </message>
    <message>
        <source>What the picture begins with</source>
        <translation>Womit das Bild beginnt</translation>
    </message>
    <message>
        <source>under one another</source>
        <translation>untereinander</translation>
    </message>
    <message>
        <source>Traces under one another</source>
        <translation>Kurven untereinander</translation>
    </message>
    <message>
        <source>first across, second up</source>
        <translation>erste waagrecht, zweite senkrecht</translation>
    </message>
    <message>
        <source>First across, second up</source>
        <translation>Erste waagrecht, zweite senkrecht</translation>
    </message>
    <message>
        <source>hold the picture</source>
        <translation>Bild anhalten</translation>
    </message>
    <message>
        <source>Hold the picture</source>
        <translation>Bild anhalten</translation>
    </message>
    <message>
        <source>hold after one edge</source>
        <translation>nach einer Flanke anhalten</translation>
    </message>
    <message>
        <source>Hold after one edge</source>
        <translation>Nach einer Flanke anhalten</translation>
    </message>
    <message>
        <source>Tuning that notes are held against</source>
        <translation>Stimmung, an der Töne gemessen werden</translation>
    </message>
    <message>
        <source>play −2 … +4 V into it</source>
        <translation>−2 … +4 V hineinspielen</translation>
    </message>
    <message>
        <source>Play a range of volts into its pitch input</source>
        <translation>Einen Spannungsbereich in den Tonhöheneingang spielen</translation>
    </message>
    <message>
        <source>Vowel that is aimed at</source>
        <translation>Angestrebter Vokal</translation>
    </message>
    <message>
        <source>the nearest one</source>
        <translation>der nächste</translation>
    </message>
    <message>
        <source>sidebands of 2 by 3</source>
        <translation>Seitenbänder von 2 durch 3</translation>
    </message>
    <message>
        <source>Sidebands of the second by the third</source>
        <translation>Seitenbänder des zweiten durch das dritte</translation>
    </message>
    <message>
        <source>what the rate adds</source>
        <translation>was die Abtastrate dazutut</translation>
    </message>
    <message>
        <source>Compare with a run at twice the rate</source>
        <translation>Mit einem Lauf bei doppelter Rate vergleichen</translation>
    </message>
    <message>
        <source>What it is held against</source>
        <translation>Womit verglichen wird</translation>
    </message>
    <message>
        <source>Hear in turns</source>
        <translation>Abwechselnd hören</translation>
    </message>
    <message>
        <source>From one to the other at each bar, equally loud</source>
        <translation>Mit jedem Takt vom einen zum anderen, gleich laut</translation>
    </message>
    <message>
        <source>Blind…</source>
        <translation>Blind…</translation>
    </message>
    <message>
        <source>Ten rounds, nobody knows which is which</source>
        <translation>Zehn Runden, niemand weiß, was was ist</translation>
    </message>
    <message>
        <source>Knobs that may be turned to match the recording</source>
        <translation>Regler, die gedreht werden dürfen, bis es der Aufnahme gleicht</translation>
    </message>
    <message>
        <source>Find these knobs</source>
        <translation>Diese Regler finden</translation>
    </message>
    <message>
        <source>Turns them in silent runs until the simulation is like the recording</source>
        <translation>Dreht sie in stillen Läufen, bis die Simulation der Aufnahme gleicht</translation>
    </message>
    <message>
        <source>Shows</source>
        <translation>Zeigt</translation>
    </message>
    <message>
        <source>From</source>
        <translation>Ab</translation>
    </message>
    <message>
        <source>Tuning</source>
        <translation>Stimmung</translation>
    </message>
    <message>
        <source>Vowel</source>
        <translation>Vokal</translation>
    </message>
    <message>
        <source>Against</source>
        <translation>Gegen</translation>
    </message>
    <message>
        <source>Knobs that may differ</source>
        <translation>Regler, die abweichen können</translation>
    </message>
    <message>
        <source>way out, right</source>
        <translation>Ausgang, rechts</translation>
    </message>
    <message>
        <source>way out</source>
        <translation>Ausgang</translation>
    </message>
    <message>
        <source>what comes in</source>
        <translation>was ankommt</translation>
    </message>
    <message>
        <source>recording</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>the way out, as nothing is chosen</source>
        <translation>der Ausgang, da nichts gewählt ist</translation>
    </message>
    <message>
        <source>by itself</source>
        <translation>von selbst</translation>
    </message>
    <message>
        <source>free</source>
        <translation>frei</translation>
    </message>
    <message>
        <source>edges of %1</source>
        <translation>Flanken von %1</translation>
    </message>
    <message>
        <source>none but twelve equal notes</source>
        <translation>nur zwölf gleiche Töne</translation>
    </message>
    <message>
        <source>setting %1</source>
        <translation>Einstellung %1</translation>
    </message>
    <message>
        <source>take %1</source>
        <translation>Take %1</translation>
    </message>
    <message>
        <source>a patch file…</source>
        <translation>eine Patch-Datei…</translation>
    </message>
    <message>
        <source> (unknown)</source>
        <translation> (unbekannt)</translation>
    </message>
    <message>
        <source>Shows the first jack under the steps in Time, or no longer</source>
        <translation>Zeigt die erste Buchse unter den Schritten in Zeit, oder nicht mehr</translation>
    </message>
    <message>
        <source>The sheet asks this too whenever it is printed, and shows the answer with its picture</source>
        <translation>Das Blatt fragt dies auch, wann immer es gedruckt wird, und zeigt die Antwort mit ihrem Bild</translation>
    </message>
    <message>
        <source>Records what is plugged into the sound device, and asks of it</source>
        <translation>Nimmt auf, was am Audiogerät steckt, und fragt danach</translation>
    </message>
    <message>
        <source>the mean of all of it</source>
        <translation>das Mittel aus allem</translation>
    </message>
    <message>
        <source>Spectrum of all of it, not of the loudest stretch</source>
        <translation>Spektrum von allem, nicht vom lautesten Stück</translation>
    </message>
    <message>
        <source>hertz at even distances</source>
        <translation>Hertz in gleichen Abständen</translation>
    </message>
    <message>
        <source>Hertz at even distances</source>
        <translation>Hertz in gleichen Abständen</translation>
    </message>
    <message>
        <source>Stop · %1 s came in</source>
        <translation>Halt · %1 s kamen herein</translation>
    </message>
    <message>
        <source>Record what comes in</source>
        <translation>Aufnehmen, was hereinkommt</translation>
    </message>
    <message>
        <source>the second of them</source>
        <translation>das zweite davon</translation>
    </message>
    <message>
        <source>step %1 of %2</source>
        <translation>Schritt %1 von %2</translation>
    </message>
</context>
<context>
    <name>lariat::BenchPlace</name>
    <message>
        <source>Hold it against a patch</source>
        <translation>Mit einem Patch vergleichen</translation>
    </message>
    <message>
        <source>Patches (*.json *.lariat)</source>
        <translation>Patches (*.json *.lariat)</translation>
    </message>
    <message>
        <source>%1 is gone, and no longer asked of.</source>
        <translation>%1 gibt es nicht mehr und wird nicht mehr gefragt.</translation>
    </message>
    <message>
        <source>Hear in turns</source>
        <translation>Abwechselnd hören</translation>
    </message>
    <message>
        <source>Heard: this one</source>
        <translation>Zu hören: dieses</translation>
    </message>
    <message>
        <source>Heard: the other</source>
        <translation>Zu hören: das andere</translation>
    </message>
    <message>
        <source>Choose a question at the left, and what it is asked of: a jack, with the button or with F4 in the Patch, or a recording. The answer stands here.</source>
        <translation>Links eine Frage wählen und was gefragt wird: eine Buchse, mit dem Knopf oder mit F4 im Patch, oder eine Aufnahme. Die Antwort steht dann hier.</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Save picture…</source>
        <translation>Bild speichern…</translation>
    </message>
    <message>
        <source>Save figures…</source>
        <translation>Werte speichern…</translation>
    </message>
    <message>
        <source>Stopped.</source>
        <translation>Angehalten.</translation>
    </message>
    <message>
        <source>Save the picture</source>
        <translation>Bild speichern</translation>
    </message>
    <message>
        <source>answer.svg</source>
        <translation>antwort.svg</translation>
    </message>
    <message>
        <source>Pictures (*.svg *.png)</source>
        <translation>Bilder (*.svg *.png)</translation>
    </message>
    <message>
        <source>Save the figures</source>
        <translation>Werte speichern</translation>
    </message>
    <message>
        <source>answer.csv</source>
        <translation>antwort.csv</translation>
    </message>
    <message>
        <source>Tables (*.csv *.json)</source>
        <translation>Tabellen (*.csv *.json)</translation>
    </message>
    <message>
        <source>Find the setting for…</source>
        <translation>Einstellung finden für…</translation>
    </message>
    <message>
        <source>Ask again</source>
        <translation>Noch einmal fragen</translation>
    </message>
    <message>
        <source>Ask of another jack…</source>
        <translation>Eine weitere Buchse fragen…</translation>
    </message>
    <message>
        <source>Ask about what is chosen</source>
        <translation>Nach dem Gewählten fragen</translation>
    </message>
    <message>
        <source>Ask of what is chosen as well</source>
        <translation>Auch das Gewählte fragen</translation>
    </message>
    <message>
        <source>It is asked of already, or there are eight.</source>
        <translation>Es wird schon gefragt, oder es sind acht.</translation>
    </message>
    <message numerus="yes">
        <source>The Bench is asked of %n jack(s) now.</source>
        <translation>
            <numerusform>Beim Messen wird jetzt %n Buchse gefragt.</numerusform>
            <numerusform>Beim Messen werden jetzt %n Buchsen gefragt.</numerusform>
        </translation>
    </message>
    <message>
        <source>Ask of a jack</source>
        <translation>Eine Buchse fragen</translation>
    </message>
    <message>
        <source>Type part of a post&apos;s or jack&apos;s name</source>
        <translation>Teil eines Pfosten- oder Buchsennamens eingeben</translation>
    </message>
    <message>
        <source>way out</source>
        <translation>Ausgang</translation>
    </message>
    <message>
        <source>way out, right</source>
        <translation>Ausgang, rechts</translation>
    </message>
    <message>
        <source>%1 (what comes in)</source>
        <translation>%1 (was ankommt)</translation>
    </message>
    <message>
        <source>Knobs are being turned…</source>
        <translation>Regler werden gedreht…</translation>
    </message>
    <message>
        <source>Asking…</source>
        <translation>Es wird gefragt…</translation>
    </message>
    <message>
        <source>Finding knobs</source>
        <translation>Regler werden gefunden</translation>
    </message>
    <message>
        <source>Asking</source>
        <translation>Fragen</translation>
    </message>
    <message>
        <source>Done: %1</source>
        <translation>Erledigt: %1</translation>
    </message>
    <message>
        <source>this one</source>
        <translation>dieses</translation>
    </message>
    <message>
        <source>Type the knob that may be turned</source>
        <translation>Den Regler eingeben, der gedreht werden darf</translation>
    </message>
    <message>
        <source>Written: %1</source>
        <translation>Geschrieben: %1</translation>
    </message>
    <message>
        <source>Tick the knobs that may differ first.</source>
        <translation>Zuerst die Regler ankreuzen, die abweichen können.</translation>
    </message>
    <message>
        <source>onto the sheet</source>
        <translation>aufs Blatt</translation>
    </message>
    <message>
        <source>off the sheet</source>
        <translation>vom Blatt</translation>
    </message>
    <message>
        <source>The sheet asks it too, and shows the answer.</source>
        <translation>Das Blatt fragt es auch und zeigt die Antwort.</translation>
    </message>
    <message>
        <source>The sheet asks it no longer.</source>
        <translation>Das Blatt fragt es nicht mehr.</translation>
    </message>
</context>
<context>
    <name>lariat::BlindDialog</name>
    <message>
        <source>Which is better?</source>
        <translation>Was ist besser?</translation>
    </message>
    <message>
        <source>First (1)</source>
        <translation>Erster (1)</translation>
    </message>
    <message>
        <source>Second (2)</source>
        <translation>Zweiter (2)</translation>
    </message>
    <message>
        <source>The first is better (Left)</source>
        <translation>Der erste ist besser (Links)</translation>
    </message>
    <message>
        <source>The second is better (Right)</source>
        <translation>Der zweite ist besser (Rechts)</translation>
    </message>
    <message>
        <source>No difference (Down)</source>
        <translation>Kein Unterschied (Unten)</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>What you preferred</source>
        <translation>Was dir besser gefiel</translation>
    </message>
    <message>
        <source>Round %1 of %2</source>
        <translation>Runde %1 von %2</translation>
    </message>
    <message>
        <source>Which one is better? They change at the start of a bar, equally loud.</source>
        <translation>Welcher ist besser? Sie wechseln am Taktanfang, gleich laut.</translation>
    </message>
    <message>
        <source>Hear the second too; it begins with the next bar.</source>
        <translation>Höre auch den zweiten; er beginnt mit dem nächsten Takt.</translation>
    </message>
    <message>
        <source>%1: preferred in %2 of %3 rounds</source>
        <translation>%1: vorgezogen in %2 von %3 Runden</translation>
    </message>
    <message numerus="yes">
        <source>no difference in %n round(s)</source>
        <translation>
            <numerusform>kein Unterschied in %n Runde</numerusform>
            <numerusform>kein Unterschied in %n Runden</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::BothChart</name>
    <message>
        <source>Both on one chart</source>
        <translation>Beide in einem Plan</translation>
    </message>
    <message>
        <source>only before: %1</source>
        <translation>nur vorher: %1</translation>
    </message>
    <message>
        <source>only after: %1</source>
        <translation>nur nachher: %1</translation>
    </message>
    <message>
        <source>moved: %1, from %2</source>
        <translation>umgesteckt: %1, von %2</translation>
    </message>
    <message>
        <source>No cable is different.</source>
        <translation>Kein Kabel ist anders.</translation>
    </message>
</context>
<context>
    <name>lariat::BuildPage</name>
    <message>
        <source>Yes, that is there</source>
        <translation>Ja, das ist da</translation>
    </message>
    <message>
        <source>No, not that</source>
        <translation>Nein, das nicht</translation>
    </message>
    <message>
        <source>Back</source>
        <translation>Zurück</translation>
    </message>
    <message>
        <source>Next row</source>
        <translation>Nächste Zeile</translation>
    </message>
    <message>
        <source>I hear nothing, or something else</source>
        <translation>Ich höre nichts oder etwas anderes</translation>
    </message>
    <message>
        <source>Back to the plan</source>
        <translation>Zurück zum Plan</translation>
    </message>
    <message>
        <source>There is nothing to build yet: put a plan into the patch first.</source>
        <translation>Noch gibt es nichts zu bauen: zuerst einen Plan in den Patch übernehmen.</translation>
    </message>
    <message>
        <source>All cables are out.</source>
        <translation>Alle Kabel sind heraus.</translation>
    </message>
    <message>
        <source>That was the last row. It stands as planned.</source>
        <translation>Das war die letzte Zeile. Es steht wie geplant.</translation>
    </message>
    <message>
        <source>%1 at %2</source>
        <translation>%1 auf %2</translation>
    </message>
    <message>
        <source>%1 at %2 (%3)</source>
        <translation>%1 auf %2 (%3)</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 an %2</translation>
    </message>
    <message>
        <source>To go back: %1.</source>
        <translation>Zurückzugeben: %1.</translation>
    </message>
    <message>
        <source>Row %1 of %2</source>
        <translation>Zeile %1 von %2</translation>
    </message>
    <message>
        <source>%1: row %2 of %3%4</source>
        <translation>%1: Zeile %2 von %3%4</translation>
    </message>
    <message>
        <source>%1 %2 cm</source>
        <translation>%1, %2 cm</translation>
    </message>
    <message>
        <source>a cable that reaches</source>
        <translation>ein Kabel, das reicht</translation>
    </message>
    <message>
        <source>Take out: %1</source>
        <translation>Herausziehen: %1</translation>
    </message>
    <message>
        <source>Take: %1</source>
        <translation>Nehmen: %1</translation>
    </message>
    <message>
        <source>from  %1</source>
        <translation>von  %1</translation>
    </message>
    <message>
        <source>to  %1</source>
        <translation>nach  %1</translation>
    </message>
    <message>
        <source>Set before it:</source>
        <translation>Vorher einstellen:</translation>
    </message>
    <message>
        <source>Measuring what you should read in it…</source>
        <translation>Es wird gemessen, was darin zu lesen sein sollte…</translation>
    </message>
    <message>
        <source>In this cable you should read %1.</source>
        <translation>In diesem Kabel sollte zu lesen sein: %1.</translation>
    </message>
    <message>
        <source>Hear what its going changes. Put it back to the others of its length.</source>
        <translation>Hören, was sich ohne es ändert. Zu den anderen seiner Länge legen.</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fertig</translation>
    </message>
    <message>
        <source>Look, listen or read at %1: is that there? %2</source>
        <translation>Bei %1 nachsehen, hören oder messen: ist das da? %2</translation>
    </message>
    <message>
        <source>(%1, row %2)</source>
        <translation>(%1, Reihe %2)</translation>
    </message>
</context>
<context>
    <name>lariat::BuildingActions</name>
    <message>
        <source>&amp;Add from the case</source>
        <translation>Aus dem Gehäuse &amp;hinzufügen</translation>
    </message>
    <message>
        <source>&amp;Find a part to add…</source>
        <translation>Teil &amp;suchen und hinzufügen…</translation>
    </message>
    <message>
        <source>A&amp;nother of a kind…</source>
        <translation>&amp;Noch eines dieser Art…</translation>
    </message>
    <message>
        <source>&amp;Insert into the cable…</source>
        <translation>In das Kabel &amp;einsetzen…</translation>
    </message>
    <message>
        <source>&amp;Split its output…</source>
        <translation>Seinen Ausgang &amp;aufteilen…</translation>
    </message>
    <message>
        <source>Plug its &amp;start elsewhere…</source>
        <translation>Seinen An&amp;fang umstecken…</translation>
    </message>
    <message>
        <source>Plug its en&amp;d elsewhere…</source>
        <translation>Sein En&amp;de umstecken…</translation>
    </message>
    <message>
        <source>S&amp;wap the two chosen cables</source>
        <translation>Die zwei gewählten Kabel &amp;tauschen</translation>
    </message>
    <message>
        <source>Take the cable &amp;out</source>
        <translation>Kabel &amp;herausnehmen</translation>
    </message>
    <message>
        <source>Row &amp;earlier</source>
        <translation>Zeile nach &amp;oben</translation>
    </message>
    <message>
        <source>Row &amp;later</source>
        <translation>Zeile nach &amp;unten</translation>
    </message>
    <message>
        <source>Put the rows &amp;under…</source>
        <translation>Zeilen einordnen &amp;unter…</translation>
    </message>
    <message>
        <source>&amp;Name, voice and note of the post…</source>
        <translation>&amp;Name, Stimme und Notiz des Pfostens…</translation>
    </message>
    <message>
        <source>&amp;Copy its settings</source>
        <translation>Einstellungen &amp;kopieren</translation>
    </message>
    <message>
        <source>Past&amp;e settings</source>
        <translation>Einstellungen einf&amp;ügen</translation>
    </message>
    <message>
        <source>Double the &amp;voice…</source>
        <translation>Stimme &amp;verdoppeln…</translation>
    </message>
    <message>
        <source>Rename…</source>
        <translation>Umbenennen…</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>colour a heading</source>
        <translation>Überschrift färben</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>Moss</source>
        <translation>Moos</translation>
    </message>
    <message>
        <source>Slate</source>
        <translation>Schiefer</translation>
    </message>
    <message>
        <source>Rust</source>
        <translation>Rost</translation>
    </message>
    <message>
        <source>Plum</source>
        <translation>Pflaume</translation>
    </message>
    <message>
        <source>Sand</source>
        <translation>Sand</translation>
    </message>
    <message>
        <source>Move up</source>
        <translation>Nach oben</translation>
    </message>
    <message>
        <source>move a heading</source>
        <translation>Überschrift verschieben</translation>
    </message>
    <message>
        <source>Move down</source>
        <translation>Nach unten</translation>
    </message>
    <message>
        <source>Let %1 sound</source>
        <translation>%1 wieder hören</translation>
    </message>
    <message>
        <source>Let all voices sound</source>
        <translation>Alle Stimmen hören</translation>
    </message>
    <message>
        <source>Hear %1 alone</source>
        <translation>Nur %1 hören</translation>
    </message>
    <message>
        <source>Choose a row of the chart first.</source>
        <translation>Zuerst eine Zeile des Plans wählen.</translation>
    </message>
    <message>
        <source>  (row %1)</source>
        <translation>  (Reihe %1)</translation>
    </message>
    <message>
        <source>Everything in this case is in use</source>
        <translation>Alles in diesem Gehäuse ist in Gebrauch</translation>
    </message>
    <message>
        <source>This patch names no case</source>
        <translation>Dieser Patch nennt kein Gehäuse</translation>
    </message>
    <message>
        <source>add %1</source>
        <translation>%1 hinzufügen</translation>
    </message>
    <message>
        <source>Add from the case</source>
        <translation>Aus dem Gehäuse hinzufügen</translation>
    </message>
    <message>
        <source>Type part of a module&apos;s or part&apos;s name</source>
        <translation>Einen Teil des Namens von Modul oder Teil eingeben</translation>
    </message>
    <message>
        <source>Another of a kind</source>
        <translation>Noch eines dieser Art</translation>
    </message>
    <message>
        <source>Type a function: VCA, filter, contour …</source>
        <translation>Eine Funktion eingeben: VCA, filter, contour …</translation>
    </message>
    <message>
        <source>%1 – %2 of %3 free</source>
        <translation>%1 – %2 von %3 frei</translation>
    </message>
    <message>
        <source>Every %1 of this case is in use.</source>
        <translation>Jedes %1 dieses Gehäuses ist in Gebrauch.</translation>
    </message>
    <message>
        <source>Insert into cable %1</source>
        <translation>In Kabel %1 einsetzen</translation>
    </message>
    <message>
        <source>Type a function, part or post</source>
        <translation>Funktion, Teil oder Pfosten eingeben</translation>
    </message>
    <message>
        <source>insert %1</source>
        <translation>%1 einsetzen</translation>
    </message>
    <message>
        <source>%1 – %2 free</source>
        <translation>%1 – %2 frei</translation>
    </message>
    <message>
        <source>%1 (in use)</source>
        <translation>%1 (in Gebrauch)</translation>
    </message>
    <message>
        <source>Split %1</source>
        <translation>%1 aufteilen</translation>
    </message>
    <message>
        <source>Type the input it is to reach as well</source>
        <translation>Den Eingang eingeben, den er auch erreichen soll</translation>
    </message>
    <message>
        <source>Ways to split %1</source>
        <translation>Wege, %1 aufzuteilen</translation>
    </message>
    <message>
        <source>Type to choose</source>
        <translation>Zum Auswählen tippen</translation>
    </message>
    <message>
        <source>Take the free copy at %1</source>
        <translation>Die freie Kopie an %1 nehmen</translation>
    </message>
    <message>
        <source>Go through %1</source>
        <translation>Über %1 gehen</translation>
    </message>
    <message>
        <source>Stack a second plug</source>
        <translation>Einen zweiten Stecker aufstecken</translation>
    </message>
    <message numerus="yes">
        <source> – %n cable(s)</source>
        <translation>
            <numerusform> – %n Kabel</numerusform>
            <numerusform> – %n Kabel</numerusform>
        </translation>
    </message>
    <message>
        <source>, loses nothing</source>
        <translation>, verliert nichts</translation>
    </message>
    <message>
        <source>, loses %1 % (%2 cents a volt)</source>
        <translation>, verliert %1 % (%2 Cent je Volt)</translation>
    </message>
    <message>
        <source>split an output</source>
        <translation>Ausgang aufteilen</translation>
    </message>
    <message>
        <source>Plug the start elsewhere</source>
        <translation>Anfang umstecken</translation>
    </message>
    <message>
        <source>Plug the end elsewhere</source>
        <translation>Ende umstecken</translation>
    </message>
    <message>
        <source>Type part of a jack&apos;s name</source>
        <translation>Einen Teil des Buchsennamens eingeben</translation>
    </message>
    <message>
        <source>move an end of a cable</source>
        <translation>Kabelende umstecken</translation>
    </message>
    <message>
        <source>%1 has no output.</source>
        <translation>%1 hat keinen Ausgang.</translation>
    </message>
    <message>
        <source>Every input of %1 is taken.</source>
        <translation>Jeder Eingang von %1 ist belegt.</translation>
    </message>
    <message>
        <source>Choose two rows first, the second one with Ctrl; their ends change places.</source>
        <translation>Zuerst zwei Zeilen wählen, die zweite mit Strg; ihre Enden tauschen die Plätze.</translation>
    </message>
    <message>
        <source>swap two cables</source>
        <translation>zwei Kabel tauschen</translation>
    </message>
    <message>
        <source>Choose a row or post of the voice first.</source>
        <translation>Zuerst eine Zeile oder einen Pfosten der Stimme wählen.</translation>
    </message>
    <message>
        <source>Double the voice</source>
        <translation>Stimme verdoppeln</translation>
    </message>
    <message>
        <source>Name of the second %1</source>
        <translation>Name der zweiten Stimme %1</translation>
    </message>
    <message>
        <source>double %1</source>
        <translation>%1 verdoppeln</translation>
    </message>
    <message>
        <source>Put the rows under</source>
        <translation>Zeilen einordnen unter</translation>
    </message>
    <message>
        <source>Voice · step</source>
        <translation>Stimme · Schritt</translation>
    </message>
    <message>
        <source>put rows under %1</source>
        <translation>Zeilen unter %1 einordnen</translation>
    </message>
    <message>
        <source>Rename the heading</source>
        <translation>Überschrift umbenennen</translation>
    </message>
    <message>
        <source>rename a heading</source>
        <translation>Überschrift umbenennen</translation>
    </message>
    <message>
        <source>Choose a post first.</source>
        <translation>Zuerst einen Pfosten wählen.</translation>
    </message>
    <message>
        <source>%1</source>
        <translation>%1</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Voice</source>
        <translation>Stimme</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>write down a post</source>
        <translation>Pfosten beschreiben</translation>
    </message>
    <message>
        <source>Copied %1 settings of %2.</source>
        <translation>%1 Einstellungen von %2 kopiert.</translation>
    </message>
    <message>
        <source>The clipboard holds no setting of %1; it takes lines such as “cutoff = 412 Hz”.</source>
        <translation>Die Zwischenablage enthält keine Einstellung von %1; erwartet werden Zeilen wie „cutoff = 412 Hz“.</translation>
    </message>
    <message>
        <source>paste settings</source>
        <translation>Einstellungen einfügen</translation>
    </message>
    <message>
        <source>%1 knobs of %2 set.</source>
        <translation>%1 Regler von %2 gesetzt.</translation>
    </message>
    <message>
        <source>Order the posts alon&amp;g the flow</source>
        <translation>Pfosten entlan&amp;g des Signalflusses ordnen</translation>
    </message>
    <message>
        <source>The posts stand along the flow already.</source>
        <translation>Die Pfosten stehen schon entlang des Signalflusses.</translation>
    </message>
    <message>
        <source>order the posts</source>
        <translation>Pfosten ordnen</translation>
    </message>
    <message>
        <source>Its &amp;heading…</source>
        <translation>Seine Überschrif&amp;t…</translation>
    </message>
    <message>
        <source>Unfold</source>
        <translation>Aufklappen</translation>
    </message>
    <message>
        <source>Fold</source>
        <translation>Zuklappen</translation>
    </message>
    <message>
        <source>unfold a heading</source>
        <translation>Überschrift aufklappen</translation>
    </message>
    <message>
        <source>fold a heading</source>
        <translation>Überschrift zuklappen</translation>
    </message>
    <message>
        <source>%1 has no input.</source>
        <translation>%1 hat keinen Eingang.</translation>
    </message>
    <message>
        <source>Take the post o&amp;ut</source>
        <translation>Pfosten &amp;herausnehmen</translation>
    </message>
    <message>
        <source>Mute %1</source>
        <translation>%1 stummschalten</translation>
    </message>
    <message>
        <source>Choose the post to take out first.</source>
        <translation>Zuerst den Pfosten auswählen, der herausgenommen werden soll.</translation>
    </message>
    <message>
        <source>take out %1</source>
        <translation>%1 herausnehmen</translation>
    </message>
    <message>
        <source>Look &amp;behind its panel</source>
        <translation>&amp;Hinter seine Frontplatte sehen</translation>
    </message>
    <message>
        <source>Put the voice into a bo&amp;x…</source>
        <translation>Die Stimme in eine &amp;Kiste packen…</translation>
    </message>
    <message>
        <source>Put the voice into a box</source>
        <translation>Die Stimme in eine Kiste packen</translation>
    </message>
    <message>
        <source>Name of the module that %1 becomes</source>
        <translation>Name des Moduls, das aus %1 wird</translation>
    </message>
    <message>
        <source>%1 box</source>
        <translation>%1-Kiste</translation>
    </message>
    <message>
        <source>a box</source>
        <translation>eine Kiste</translation>
    </message>
    <message>
        <source>put %1 into a box</source>
        <translation>%1 in eine Kiste packen</translation>
    </message>
    <message>
        <source>add a module</source>
        <translation>ein Modul hinzufügen</translation>
    </message>
    <message numerus="yes">
        <source>%1 is one module now, with %n jacks: look behind its panel to change it.</source>
        <translation>
            <numerusform>%1 ist jetzt ein einziges Modul mit %n Buchse: hinter seiner Frontplatte lässt es sich ändern.</numerusform>
            <numerusform>%1 ist jetzt ein einziges Modul mit %n Buchsen: hinter seiner Frontplatte lässt es sich ändern.</numerusform>
        </translation>
    </message>
    <message>
        <source>No row has room for it: it lies in the bag.</source>
        <translation>Keine Reihe hat Platz dafür: es liegt in der Tasche.</translation>
    </message>
    <message>
        <source>What nobody kno&amp;ws</source>
        <translation>Was niemand &amp;weiß</translation>
    </message>
</context>
<context>
    <name>lariat::CableCard</name>
    <message>
        <source>Readings of this cable</source>
        <translation>Messwerte dieses Kabels</translation>
    </message>
    <message>
        <source>Note on this cable</source>
        <translation>Notiz zu diesem Kabel</translation>
    </message>
    <message>
        <source>Note for the sheet</source>
        <translation>Notiz für das Blatt</translation>
    </message>
    <message>
        <source>Which cable to use</source>
        <translation>Welches Kabel zu nehmen ist</translation>
    </message>
    <message>
        <source>Length not chosen</source>
        <translation>Länge nicht gewählt</translation>
    </message>
    <message>
        <source>%1 cm %2 (%3 of %4 used)</source>
        <translation>%1 cm %2 (%3 von %4 benutzt)</translation>
    </message>
    <message>
        <source>%1 cm %2 (not in this case)</source>
        <translation>%1 cm %2 (nicht in diesem Gehäuse)</translation>
    </message>
    <message>
        <source>write down cable %1</source>
        <translation>Kabel %1 beschreiben</translation>
    </message>
</context>
<context>
    <name>lariat::CalibrateDialog</name>
    <message>
        <source>Calibrate %1 of %2</source>
        <translation>%1 von %2 eichen</translation>
    </message>
    <message>
        <source>Turn the knob of your module to a place of its dial and read what comes out with a meter or a tuner, or record it. Three places tell a law, more tell it better.</source>
        <translation>Drehe den Regler deines Moduls auf eine Stellung seiner Skala und lies mit Messgerät oder Stimmgerät ab, was herauskommt, oder nimm es auf. Drei Stellungen zeigen ein Gesetz, mehr zeigen es besser.</translation>
    </message>
    <message>
        <source>Knob at</source>
        <translation>Regler auf</translation>
    </message>
    <message>
        <source>Read</source>
        <translation>Abgelesen</translation>
    </message>
    <message>
        <source>The law says</source>
        <translation>Das Gesetz sagt</translation>
    </message>
    <message>
        <source>Off, on the dial</source>
        <translation>Daneben, auf der Skala</translation>
    </message>
    <message>
        <source>Another reading</source>
        <translation>Noch eine Ablesung</translation>
    </message>
    <message>
        <source>From a recording…</source>
        <translation>Aus einer Aufnahme…</translation>
    </message>
    <message>
        <source>A recording cannot tell this knob; read it with a meter.</source>
        <translation>Eine Aufnahme kann diesen Regler nicht zeigen; lies ihn mit einem Messgerät ab.</translation>
    </message>
    <message>
        <source>Take it out</source>
        <translation>Herausnehmen</translation>
    </message>
    <message>
        <source> V</source>
        <translation> V</translation>
    </message>
    <message>
        <source>Volts of a recording&apos;s full scale</source>
        <translation>Volt bei Vollaussteuerung der Aufnahme</translation>
    </message>
    <message>
        <source>its full scale is</source>
        <translation>ihre Vollaussteuerung ist</translation>
    </message>
    <message>
        <source>Law of the scale</source>
        <translation>Gesetz der Skala</translation>
    </message>
    <message>
        <source>the law that fits best</source>
        <translation>das Gesetz, das am besten passt</translation>
    </message>
    <message>
        <source>linear</source>
        <translation>linear</translation>
    </message>
    <message>
        <source>exponential</source>
        <translation>exponentiell</translation>
    </message>
    <message>
        <source>logarithmic</source>
        <translation>logarithmisch</translation>
    </message>
    <message>
        <source>through the points</source>
        <translation>durch die Punkte</translation>
    </message>
    <message>
        <source>As its maker left it</source>
        <translation>Wie der Hersteller es ließ</translation>
    </message>
    <message>
        <source>Use it from now on</source>
        <translation>Von jetzt an verwenden</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Its pitch, or how often it rises, is measured.</source>
        <translation>Gemessen wird die Tonhöhe, oder wie oft es ansteigt.</translation>
    </message>
    <message>
        <source>The time from the first sound to the loudest is measured.</source>
        <translation>Gemessen wird die Zeit vom ersten Klang bis zum lautesten.</translation>
    </message>
    <message>
        <source>The time from the loudest until it stays 60 dB below is measured.</source>
        <translation>Gemessen wird die Zeit vom lautesten Klang, bis er 60 dB darunter bleibt.</translation>
    </message>
    <message>
        <source>A steady voltage is measured, else the peak.</source>
        <translation>Gemessen wird eine stehende Spannung, sonst die Spitze.</translation>
    </message>
    <message>
        <source>Its pulses are counted, one a beat.</source>
        <translation>Gezählt werden die Pulse, einer je Schlag.</translation>
    </message>
    <message>
        <source>Row %1: a place is written as a clock&apos;s hand, from 7:00 to 5:00.</source>
        <translation>Zeile %1: eine Stellung wird wie ein Uhrzeiger geschrieben, von 7:00 bis 5:00.</translation>
    </message>
    <message>
        <source>Row %1: %2 is no reading of this knob: %3</source>
        <translation>Zeile %1: %2 ist keine Ablesung dieses Reglers: %3</translation>
    </message>
    <message>
        <source>%1 min</source>
        <translation>%1 min</translation>
    </message>
    <message>
        <source>The dotted line is the scale as its maker describes it.</source>
        <translation>Die punktierte Linie ist die Skala, wie der Hersteller sie beschreibt.</translation>
    </message>
    <message>
        <source>%1: the worst reading is %2 minutes of the dial off. The knob then goes from %3 to %4.</source>
        <translation>%1: die schlechteste Ablesung liegt %2 Minuten der Skala daneben. Der Regler geht dann von %3 bis %4.</translation>
    </message>
    <message>
        <source>A recording of the module</source>
        <translation>Eine Aufnahme des Moduls</translation>
    </message>
    <message>
        <source>Recordings (*.wav *.flac *.aiff *.aif)</source>
        <translation>Aufnahmen (*.wav *.flac *.aiff *.aif)</translation>
    </message>
    <message>
        <source>%1 was heard. At which place did the knob stand?</source>
        <translation>%1 war zu hören. Auf welcher Stellung stand der Regler?</translation>
    </message>
    <message>
        <source>calibrate a knob</source>
        <translation>einen Regler eichen</translation>
    </message>
</context>
<context>
    <name>lariat::CaseView</name>
    <message>
        <source>The case, row by row</source>
        <translation>Das Gehäuse, Reihe für Reihe</translation>
    </message>
    <message>
        <source>%1, in the bag</source>
        <translation>%1, in der Tasche</translation>
    </message>
    <message>
        <source>%1, row %2, HP %3</source>
        <translation>%1, Reihe %2, TE %3</translation>
    </message>
    <message>
        <source>row %1</source>
        <translation>Reihe %1</translation>
    </message>
    <message>
        <source>%1, %2 HP, HP %3 to %4</source>
        <translation>%1, %2 TE, TE %3 bis %4</translation>
    </message>
</context>
<context>
    <name>lariat::Chart</name>
    <message>
        <source>Cable chart</source>
        <translation>Kabelplan</translation>
    </message>
    <message>
        <source>move cable %1 to row %2</source>
        <translation>Kabel %1 in Zeile %2 verschieben</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 nach %2</translation>
    </message>
    <message>
        <source>fold %1</source>
        <translation>%1 zuklappen</translation>
    </message>
    <message>
        <source>unfold %1</source>
        <translation>%1 aufklappen</translation>
    </message>
    <message>
        <source>move a post</source>
        <translation>Pfosten verschieben</translation>
    </message>
    <message>
        <source>to %1</source>
        <translation>nach %1</translation>
    </message>
    <message>
        <source>to another post</source>
        <translation>zu einem anderen Pfosten</translation>
    </message>
    <message>
        <source>%1 V</source>
        <translation>%1 V</translation>
    </message>
    <message>
        <source>%1…%2 V</source>
        <translation>%1…%2 V</translation>
    </message>
    <message>
        <source>No cable yet. Drag from one post&apos;s line to another, or press Ctrl+T and write which output goes to which input.</source>
        <translation>Noch kein Kabel. Von der Linie eines Pfostens zu einer anderen ziehen, oder Strg+T drücken und schreiben, welcher Ausgang in welchen Eingang geht.</translation>
    </message>
    <message numerus="yes">
        <source>  (%n row(s))</source>
        <translation>
            <numerusform>  (%n Zeile)</numerusform>
            <numerusform>  (%n Zeilen)</numerusform>
        </translation>
    </message>
    <message>
        <source>loop: 1 sample late</source>
        <translation>Schleife: 1 Sample</translation>
    </message>
    <message>
        <source>heard alone</source>
        <translation>allein gehört</translation>
    </message>
    <message>
        <source>over the rails</source>
        <translation>übersteuert</translation>
    </message>
    <message>
        <source>behind the panel</source>
        <translation>hinter der Platte</translation>
    </message>
    <message>
        <source>%1, folded</source>
        <translation>%1, zugeklappt</translation>
    </message>
    <message>
        <source>Cable %1</source>
        <translation>Kabel %1</translation>
    </message>
    <message>
        <source>take out cable %1</source>
        <translation>Kabel %1 herausnehmen</translation>
    </message>
    <message>
        <source>take out %1 cables</source>
        <translation>%1 Kabel herausnehmen</translation>
    </message>
    <message>
        <source>  · muted</source>
        <translation>  · stumm</translation>
    </message>
    <message>
        <source>muted</source>
        <translation>stumm</translation>
    </message>
    <message>
        <source>open end</source>
        <translation>offenes Ende</translation>
    </message>
</context>
<context>
    <name>lariat::ChartMap</name>
    <message>
        <source>Map of the chart</source>
        <translation>Übersicht des Plans</translation>
    </message>
    <message>
        <source>The whole patch; click to go there</source>
        <translation>Der ganze Patch; klicken führt dorthin</translation>
    </message>
</context>
<context>
    <name>lariat::Checker</name>
    <message>
        <source>checking</source>
        <translation>Prüfung</translation>
    </message>
</context>
<context>
    <name>lariat::ChooseTakes</name>
    <message>
        <source>Two to six; each is heard against each of the others.</source>
        <translation>Zwei bis sechs; jeder wird mit jedem anderen verglichen.</translation>
    </message>
</context>
<context>
    <name>lariat::CommandFinder</name>
    <message>
        <source>Find a command</source>
        <translation>Befehl suchen</translation>
    </message>
    <message>
        <source>Type part of a command&apos;s name</source>
        <translation>Einen Teil des Befehlsnamens eingeben</translation>
    </message>
</context>
<context>
    <name>lariat::Controllers</name>
    <message>
        <source>learn controller %1</source>
        <translation>Controller %1 lernen</translation>
    </message>
</context>
<context>
    <name>lariat::Document</name>
    <message>
        <source>recover unsaved work</source>
        <translation>nicht gespeicherte Arbeit zurückholen</translation>
    </message>
    <message>
        <source>It holds no patch any more.</source>
        <translation>Die Datei enthält keinen Patch mehr.</translation>
    </message>
    <message>
        <source>It was written at %1.</source>
        <translation>Sie wurde am %1 geschrieben.</translation>
    </message>
    <message>
        <source>cables: %1 before, %2 now</source>
        <translation>Kabel: vorher %1, jetzt %2</translation>
    </message>
    <message>
        <source>posts: %1 before, %2 now</source>
        <translation>Pfosten: vorher %1, jetzt %2</translation>
    </message>
    <message>
        <source>title: “%1”</source>
        <translation>Titel: „%1“</translation>
    </message>
    <message>
        <source>knobs, patterns or notes</source>
        <translation>Regler, Muster oder Notizen</translation>
    </message>
    <message>
        <source>It was written at %1 (%2).</source>
        <translation>Sie wurde am %1 geschrieben (%2).</translation>
    </message>
    <message>
        <source>turn %1 of %2</source>
        <translation>%1 von %2 drehen</translation>
    </message>
    <message>
        <source>Another window has changed %1 since this one was opened. Open a new window to see it.</source>
        <translation>Ein anderes Fenster hat %1 geändert, seit dieses geöffnet wurde. In einem neuen Fenster ist es zu sehen.</translation>
    </message>
    <message>
        <source>The file of %1 has been changed outside since it was read here. Open a new window to see it, or move it away: %2</source>
        <translation>Die Datei von %1 wurde außerhalb geändert, seit sie hier gelesen wurde. Öffne ein neues Fenster, um sie zu sehen, oder lege sie beiseite: %2</translation>
    </message>
    <message>
        <source>%1 stays as it was: %2</source>
        <translation>%1 bleibt, wie es war: %2</translation>
    </message>
</context>
<context>
    <name>lariat::EmptyChart</name>
    <message>
        <source>Ways to begin</source>
        <translation>Wie man anfängt</translation>
    </message>
    <message>
        <source>This patch is empty. Begin with …</source>
        <translation>Dieser Patch ist leer. Anfangen mit …</translation>
    </message>
    <message>
        <source>%1  (%2)</source>
        <translation>%1  (%2)</translation>
    </message>
    <message>
        <source>a part from the case</source>
        <translation>einem Teil aus dem Gehäuse</translation>
    </message>
    <message>
        <source>a function: VCO, filter, contour …</source>
        <translation>einer Funktion: VCO, Filter, Hüllkurve …</translation>
    </message>
    <message>
        <source>a sentence, such as “vco saw to filter in”</source>
        <translation>einem Satz wie „vco saw to filter in“</translation>
    </message>
    <message>
        <source>a patch that came with Lariat</source>
        <translation>einem mitgelieferten Patch</translation>
    </message>
    <message>
        <source>a patch that was written down</source>
        <translation>einem aufgeschriebenen Patch</translation>
    </message>
</context>
<context>
    <name>lariat::EntryBar</name>
    <message>
        <source>Step entry</source>
        <translation>Schritteingabe</translation>
    </message>
    <message>
        <source>What is played on the keys or comes in by MIDI goes to the cursor, which goes on (Ctrl+Return)</source>
        <translation>Was auf den Tasten gespielt wird oder über MIDI kommt, geht an die Schreibmarke, die weiterrückt (Strg+Eingabe)</translation>
    </message>
    <message>
        <source>Record</source>
        <translation>Aufnehmen</translation>
    </message>
    <message>
        <source>What is played goes into the chosen line while it runs (Ctrl+R)</source>
        <translation>Was gespielt wird, geht in die gewählte Spur, während sie läuft (Strg+R)</translation>
    </message>
    <message>
        <source>Count-in %1</source>
        <translation>Vorzähler %1</translation>
    </message>
    <message>
        <source>Whether what is there stays, or gives way where nothing is played</source>
        <translation>Ob bleibt, was da ist, oder weicht, wo nichts gespielt wird</translation>
    </message>
    <message>
        <source>adds</source>
        <translation>ergänzt</translation>
    </message>
    <message>
        <source>replaces</source>
        <translation>ersetzt</translation>
    </message>
    <message>
        <source>quantize </source>
        <translation>gerade rücken </translation>
    </message>
    <message>
        <source>Bars of four beats before the recording begins</source>
        <translation>Vierertakte, bevor die Aufnahme beginnt</translation>
    </message>
    <message>
        <source>count-in </source>
        <translation>vorzählen </translation>
    </message>
    <message>
        <source>click</source>
        <translation>Klick</translation>
    </message>
    <message>
        <source>A click on each beat while it records; only you hear it</source>
        <translation>Ein Klick auf jedem Schlag während der Aufnahme; nur hier zu hören</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Nimmt auf</translation>
    </message>
    <message>
        <source>How far what is played is moved to its step; hits of a lane always stand on theirs</source>
        <translation>Wie weit das Gespielte auf seinen Schritt rückt; Schläge einer Schlagspur stehen immer auf ihrem</translation>
    </message>
</context>
<context>
    <name>lariat::EnvelopePicture</name>
    <message>
        <source>Picture of the contour</source>
        <translation>Bild der Hüllkurve</translation>
    </message>
    <message>
        <source>What one gate makes of it. Draw the corners to set attack, decay with sustain, and release.</source>
        <translation>Was ein Gate aus ihr macht. An den Ecken lassen sich Attack, Decay mit Sustain und Release ziehen.</translation>
    </message>
    <message>
        <source>attack %1, decay %2, release %3</source>
        <translation>Attack %1, Decay %2, Release %3</translation>
    </message>
    <message>
        <source>gate %1</source>
        <translation>Gate %1</translation>
    </message>
    <message>
        <source>A %1</source>
        <translation>A %1</translation>
    </message>
    <message>
        <source>D %1</source>
        <translation>D %1</translation>
    </message>
    <message>
        <source>R %1</source>
        <translation>R %1</translation>
    </message>
    <message>
        <source>Picture of the function</source>
        <translation>Bild der Funktion</translation>
    </message>
    <message>
        <source>What one trigger makes of it, and its four related outputs. Draw the corners to set rise and fall.</source>
        <translation>Was ein Trigger daraus macht, und die vier verwandten Ausgänge. An den Ecken ziehen, um Anstieg und Abfall zu stellen.</translation>
    </message>
    <message>
        <source>rise %1, fall %2</source>
        <translation>Anstieg %1, Abfall %2</translation>
    </message>
    <message>
        <source>trigger</source>
        <translation>Trigger</translation>
    </message>
    <message>
        <source>rise %1</source>
        <translation>Anstieg %1</translation>
    </message>
    <message>
        <source>fall %1</source>
        <translation>Abfall %1</translation>
    </message>
</context>
<context>
    <name>lariat::FiguresPanel</name>
    <message>
        <source>Figures</source>
        <translation>Werte</translation>
    </message>
    <message>
        <source>Find the setting for…</source>
        <translation>Einstellung finden für…</translation>
    </message>
    <message>
        <source>Turns a knob of the first jack&apos;s post until what is measured is as you want it</source>
        <translation>Dreht einen Regler des Pfostens der ersten Buchse, bis das Gemessene wie gewünscht ist</translation>
    </message>
    <message>
        <source>of the whole</source>
        <translation>vom Ganzen</translation>
    </message>
    <message>
        <source>Do it</source>
        <translation>Ausführen</translation>
    </message>
</context>
<context>
    <name>lariat::Files</name>
    <message>
        <source>Lariat patches (*.lariat *.json)</source>
        <translation>Lariat-Patches (*.lariat *.json)</translation>
    </message>
    <message>
        <source>%1 — the open patch is unchanged.</source>
        <translation>%1 — der offene Patch ist unverändert.</translation>
    </message>
    <message>
        <source>Opened %1.</source>
        <translation>%1 geöffnet.</translation>
    </message>
    <message>
        <source>Open a patch</source>
        <translation>Patch öffnen</translation>
    </message>
    <message>
        <source>Save the patch</source>
        <translation>Patch speichern</translation>
    </message>
    <message>
        <source>Another window or program has changed %1 since it was opened here. %2</source>
        <translation>Ein anderes Fenster oder Programm hat %1 geändert, seit die Datei hier geöffnet wurde. %2</translation>
    </message>
    <message>
        <source>Replace it</source>
        <translation>Ersetzen</translation>
    </message>
    <message>
        <source>Save under another name…</source>
        <translation>Unter anderem Namen speichern…</translation>
    </message>
    <message>
        <source>Saved %1.</source>
        <translation>%1 gespeichert.</translation>
    </message>
    <message>
        <source>Unsaved changes</source>
        <translation>Nicht gespeicherte Änderungen</translation>
    </message>
    <message>
        <source>“%1” has changes that are not saved.</source>
        <translation>„%1“ enthält Änderungen, die nicht gespeichert sind.</translation>
    </message>
    <message>
        <source>Nothing opened yet</source>
        <translation>Noch nichts geöffnet</translation>
    </message>
    <message>
        <source>not saved yet</source>
        <translation>noch nicht gespeichert</translation>
    </message>
    <message>
        <source>%1 (%2), %3</source>
        <translation>%1 (%2), %3</translation>
    </message>
    <message>
        <source>Open it</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>Throw it away</source>
        <translation>Verwerfen</translation>
    </message>
    <message>
        <source>Nothing was left behind</source>
        <translation>Nichts ist liegen geblieben</translation>
    </message>
    <message>
        <source>Bundles (*.lariat-bundle *.zip)</source>
        <translation>Bündel (*.lariat-bundle *.zip)</translation>
    </message>
    <message>
        <source>This patch names a case that is not here: there is nothing to bundle it with.</source>
        <translation>Dieser Patch nennt ein Gehäuse, das es hier nicht gibt: er lässt sich nicht bündeln.</translation>
    </message>
    <message>
        <source>Save as a bundle</source>
        <translation>Als Bündel speichern</translation>
    </message>
    <message numerus="yes">
        <source>%1 holds the patch, its case and %n module(s).</source>
        <translation>
            <numerusform>%1 enthält den Patch, sein Gehäuse und %n Modul.</numerusform>
            <numerusform>%1 enthält den Patch, sein Gehäuse und %n Module.</numerusform>
        </translation>
    </message>
    <message>
        <source>Open a bundle</source>
        <translation>Bündel öffnen</translation>
    </message>
    <message>
        <source>;;Sheets and bundles (*.pdf *.html *.svg *.lariat-bundle)</source>
        <translation>;;Blätter und Bündel (*.pdf *.html *.svg *.lariat-bundle)</translation>
    </message>
    <message>
        <source>Bundles and sheets (*.lariat-bundle *.zip *.pdf *.html *.svg)</source>
        <translation>Bündel und Blätter (*.lariat-bundle *.zip *.pdf *.html *.svg)</translation>
    </message>
    <message>
        <source>The patch of %1, as it was. It has no file of its own yet.</source>
        <translation>Der Patch aus %1, wie er war. Er hat noch keine eigene Datei.</translation>
    </message>
    <message>
        <source>%1 is here now: choose it in Stock.</source>
        <translation>%1 ist jetzt da: unter Bestand zu wählen.</translation>
    </message>
    <message>
        <source>Its case and modules are in your folder.</source>
        <translation>Gehäuse und Module liegen in Ihrem Ordner.</translation>
    </message>
</context>
<context>
    <name>lariat::FindDialog</name>
    <message>
        <source>pitch</source>
        <translation>Tonhöhe</translation>
    </message>
    <message>
        <source>length until 60 dB down</source>
        <translation>Länge, bis 60 dB leiser</translation>
    </message>
    <message>
        <source>peak</source>
        <translation>Spitze</translation>
    </message>
    <message>
        <source>level, RMS</source>
        <translation>Pegel, effektiv</translation>
    </message>
    <message>
        <source>brightness, centre of the spectrum</source>
        <translation>Helligkeit, Schwerpunkt des Spektrums</translation>
    </message>
    <message>
        <source>first formant</source>
        <translation>erster Formant</translation>
    </message>
    <message>
        <source>rate of pulses</source>
        <translation>Rate der Pulse</translation>
    </message>
    <message>
        <source>lowest voltage</source>
        <translation>niedrigste Spannung</translation>
    </message>
    <message>
        <source>highest voltage</source>
        <translation>höchste Spannung</translation>
    </message>
    <message>
        <source>difference of hits</source>
        <translation>Unterschied der Schläge</translation>
    </message>
    <message>
        <source>Find the setting of %1, %2</source>
        <translation>Die Einstellung finden: %1, %2</translation>
    </message>
    <message>
        <source>what is heard at the left</source>
        <translation>was links zu hören ist</translation>
    </message>
    <message>
        <source> s</source>
        <translation> s</translation>
    </message>
    <message>
        <source>Measured</source>
        <translation>Gemessen</translation>
    </message>
    <message>
        <source>Where</source>
        <translation>Wo</translation>
    </message>
    <message>
        <source>Wanted</source>
        <translation>Gewünscht</translation>
    </message>
    <message>
        <source>Give or take</source>
        <translation>Mehr oder weniger</translation>
    </message>
    <message>
        <source>to</source>
        <translation>bis</translation>
    </message>
    <message>
        <source>From the start on</source>
        <translation>Vom Anfang an</translation>
    </message>
    <message>
        <source>Nothing is heard meanwhile; the patch stays as it is until you take what was found.</source>
        <translation>Währenddessen ist nichts zu hören; der Patch bleibt, wie er ist, bis das Gefundene übernommen wird.</translation>
    </message>
    <message>
        <source>Find</source>
        <translation>Finden</translation>
    </message>
    <message>
        <source>Take it</source>
        <translation>Übernehmen</translation>
    </message>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
    <message>
        <source>Stopped.</source>
        <translation>Angehalten.</translation>
    </message>
    <message>
        <source>The time ends before it begins.</source>
        <translation>Die Zeit endet, bevor sie beginnt.</translation>
    </message>
    <message>
        <source>Turning it in silent runs…</source>
        <translation>Er wird in stillen Läufen gedreht…</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Anhalten</translation>
    </message>
    <message>
        <source>Finding a setting</source>
        <translation>Eine Einstellung wird gesucht</translation>
    </message>
    <message>
        <source>The knob is gone.</source>
        <translation>Den Regler gibt es nicht mehr.</translation>
    </message>
    <message>
        <source>nothing to measure</source>
        <translation>nichts zu messen</translation>
    </message>
    <message>
        <source>It is there already: %1. It holds from %2 to %3.</source>
        <translation>Es ist schon so: %1. Es gilt von %2 bis %3.</translation>
    </message>
    <message numerus="yes">
        <source>%1 gives %2. It holds from %3 to %4 (%n run(s)).</source>
        <translation>
            <numerusform>%1 ergibt %2. Es gilt von %3 bis %4 (%n Lauf).</numerusform>
            <numerusform>%1 ergibt %2. Es gilt von %3 bis %4 (%n Läufe).</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>This knob alone does not do it: at %1 it comes nearest, with %2 (%n run(s)).</source>
        <translation>
            <numerusform>Dieser Regler allein schafft es nicht: bei %1 kommt er am nächsten, mit %2 (%n Lauf).</numerusform>
            <numerusform>Dieser Regler allein schafft es nicht: bei %1 kommt er am nächsten, mit %2 (%n Läufe).</numerusform>
        </translation>
    </message>
    <message>
        <source>set what was found</source>
        <translation>Gefundenes einstellen</translation>
    </message>
</context>
<context>
    <name>lariat::FindingCard</name>
    <message>
        <source>Ctrl+Z takes it back</source>
        <translation>Strg+Z nimmt es zurück</translation>
    </message>
    <message>
        <source>Keep it as it is…</source>
        <translation>So lassen…</translation>
    </message>
    <message>
        <source>It is not shown any more; the patch remembers why</source>
        <translation>Wird nicht mehr gezeigt; der Patch merkt sich den Grund</translation>
    </message>
    <message>
        <source>Kept: %1</source>
        <translation>So gelassen: %1</translation>
    </message>
    <message>
        <source>Let it speak again</source>
        <translation>Wieder melden</translation>
    </message>
    <message>
        <source>Show it on the chart</source>
        <translation>Im Plan zeigen</translation>
    </message>
    <message>
        <source>Why?</source>
        <translation>Warum?</translation>
    </message>
    <message>
        <source>The way from what is heard to the place, with what is measured at each link</source>
        <translation>Der Weg von dem, was zu hören ist, bis zur Stelle, mit dem, was an jedem Glied gemessen wird</translation>
    </message>
    <message>
        <source>Find the setting for…</source>
        <translation>Die Einstellung finden für…</translation>
    </message>
    <message>
        <source>The place at which something measured is as you wish</source>
        <translation>Die Stellung, bei der etwas Gemessenes so ist, wie du es willst</translation>
    </message>
</context>
<context>
    <name>lariat::FindingsPage</name>
    <message>
        <source>Findings of which voice</source>
        <translation>Befunde welcher Stimme</translation>
    </message>
    <message>
        <source>Findings</source>
        <translation>Befunde</translation>
    </message>
    <message>
        <source>Cable %1</source>
        <translation>Kabel %1</translation>
    </message>
    <message>
        <source>The case</source>
        <translation>Das Gehäuse</translation>
    </message>
    <message>
        <source>All voices</source>
        <translation>Alle Stimmen</translation>
    </message>
    <message>
        <source>let a finding speak again</source>
        <translation>Befund wieder melden</translation>
    </message>
    <message>
        <source>Mistakes</source>
        <translation>Fehler</translation>
    </message>
    <message>
        <source>May be wanted</source>
        <translation>Vielleicht gewollt</translation>
    </message>
    <message>
        <source>Nothing is found wrong here.</source>
        <translation>Hier ist nichts zu beanstanden.</translation>
    </message>
    <message>
        <source>Looking…</source>
        <translation>Wird geprüft…</translation>
    </message>
    <message>
        <source>Kept as it is</source>
        <translation>So gelassen</translation>
    </message>
    <message>
        <source>To know</source>
        <translation>Gut zu wissen</translation>
    </message>
    <message>
        <source>Click to choose it on the chart</source>
        <translation>Anklicken, um es im Plan auszuwählen</translation>
    </message>
    <message>
        <source>Next steps</source>
        <translation>Nächste Schritte</translation>
    </message>
    <message numerus="yes">
        <source>%n cure(s) could not be tried in time, and are not offered.</source>
        <translation>
            <numerusform>%n Abhilfe konnte nicht rechtzeitig ausprobiert werden und wird nicht angeboten.</numerusform>
            <numerusform>%n Abhilfen konnten nicht rechtzeitig ausprobiert werden und werden nicht angeboten.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::ForecastView</name>
    <message>
        <source>What holds at which tempo</source>
        <translation>Was bei welchem Tempo gilt</translation>
    </message>
</context>
<context>
    <name>lariat::FoundDials</name>
    <message>
        <source>The arc is where every goal still holds.</source>
        <translation>Im Bogen gelten noch alle Ziele.</translation>
    </message>
</context>
<context>
    <name>lariat::Gestures</name>
    <message>
        <source>Play now: the gesture begins with what you do first, and ends when you stop it.</source>
        <translation>Jetzt spielen: die Geste beginnt mit der ersten Bewegung und endet, wenn man sie anhält.</translation>
    </message>
    <message>
        <source>Nothing was played; the patch is as it was.</source>
        <translation>Es wurde nichts gespielt; der Patch ist, wie er war.</translation>
    </message>
    <message>
        <source>record what %1 plays</source>
        <translation>aufnehmen, was %1 spielt</translation>
    </message>
    <message>
        <source>%1 plays it again every %2 beats; Ctrl+Z takes it back.</source>
        <translation>%1 spielt es alle %2 Schläge wieder; Strg+Z nimmt es zurück.</translation>
    </message>
</context>
<context>
    <name>lariat::Inspector</name>
    <message>
        <source>Inspector</source>
        <translation>Inspektor</translation>
    </message>
    <message>
        <source>Nothing chosen</source>
        <translation>Nichts gewählt</translation>
    </message>
    <message>
        <source>Take a first part from the case with Patch, Add from the case.</source>
        <translation>Mit Patch, Aus dem Gehäuse hinzufügen einen ersten Teil nehmen.</translation>
    </message>
    <message>
        <source>Choose a post or a row of the chart to see its knobs and jacks.</source>
        <translation>Einen Pfosten oder eine Zeile des Plans wählen, um Regler und Buchsen zu sehen.</translation>
    </message>
    <message>
        <source>%1 waits for its other end: click a jack, or press Esc.</source>
        <translation>%1 wartet auf das andere Ende: eine Buchse anklicken oder Esc drücken.</translation>
    </message>
    <message>
        <source>Cable %1</source>
        <translation>Kabel %1</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 nach %2</translation>
    </message>
    <message>
        <source>Also found: %1</source>
        <translation>Außerdem gefunden: %1</translation>
    </message>
    <message>
        <source>tie %1 to %2</source>
        <translation>%1 mit %2 verbinden</translation>
    </message>
    <message>
        <source>Controller %1 turns it now.</source>
        <translation>Controller %1 dreht ihn jetzt.</translation>
    </message>
    <message>
        <source>and %1 more</source>
        <translation>und %1 weitere</translation>
    </message>
    <message>
        <source>“%1”</source>
        <translation>„%1“</translation>
    </message>
</context>
<context>
    <name>lariat::JackChooser</name>
    <message>
        <source>Out of %1</source>
        <translation>Aus %1</translation>
    </message>
    <message>
        <source>Into %1</source>
        <translation>In %1</translation>
    </message>
    <message>
        <source>Tie</source>
        <translation>Verbinden</translation>
    </message>
    <message>
        <source>  taken</source>
        <translation>  belegt</translation>
    </message>
    <message>
        <source>This post has no output.</source>
        <translation>Dieser Pfosten hat keinen Ausgang.</translation>
    </message>
    <message>
        <source>Every input here is taken.</source>
        <translation>Hier ist jeder Eingang belegt.</translation>
    </message>
    <message>
        <source>This post has no input.</source>
        <translation>Dieser Pfosten hat keinen Eingang.</translation>
    </message>
</context>
<context>
    <name>lariat::JackPanel</name>
    <message>
        <source>Inputs</source>
        <translation>Eingänge</translation>
    </message>
    <message>
        <source>Outputs</source>
        <translation>Ausgänge</translation>
    </message>
</context>
<context>
    <name>lariat::Jobs</name>
    <message>
        <source>%1 could not be finished: %2</source>
        <translation>%1 ließ sich nicht beenden: %2</translation>
    </message>
</context>
<context>
    <name>lariat::KeyStrip</name>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>Playing from %1, velocity %2</source>
        <translation>Spielt ab %1, Anschlag %2</translation>
    </message>
    <message>
        <source>Click here, then play with A to L</source>
        <translation>Hier klicken, dann mit A bis L spielen</translation>
    </message>
    <message>
        <source>A to L play the white keys, W E T Z U O P the black ones; Page Up and Page Down change the octave, 1 to 9 the velocity. Comma and full stop are the feet: latch and glide, while they are down.</source>
        <translation>A bis L spielen die weißen Tasten, W E T Z U O P die schwarzen; Bild auf und Bild ab wechseln die Oktave, 1 bis 9 die Anschlagstärke. Komma und Punkt sind die Füße: Halten und Gleiten, solange sie unten sind.</translation>
    </message>
    <message>
        <source>latch ,</source>
        <translation>Halten ,</translation>
    </message>
    <message>
        <source>glide .</source>
        <translation>Gleiten .</translation>
    </message>
</context>
<context>
    <name>lariat::Knob</name>
    <message>
        <source>Drag up or down, finer with Shift. Double-click to type a value or a position such as 10:20.</source>
        <translation>Nach oben oder unten ziehen, mit Umschalt feiner. Doppelklick: einen Wert oder eine Stellung wie 10:20 eingeben.</translation>
    </message>
    <message>
        <source>Locked: it stays as it is.</source>
        <translation>Gesperrt: er bleibt, wie er ist.</translation>
    </message>
    <message>
        <source>Under controller %1.</source>
        <translation>An Controller %1.</translation>
    </message>
    <message>
        <source>%1 is locked; unlock it with a right click.</source>
        <translation>%1 ist gesperrt; ein Rechtsklick gibt ihn frei.</translation>
    </message>
    <message>
        <source>%1, value or position</source>
        <translation>%1, Wert oder Stellung</translation>
    </message>
    <message>
        <source>“%1” is not a setting of %2: it takes %3.</source>
        <translation>„%1“ ist keine Einstellung von %2: möglich ist %3.</translation>
    </message>
    <message>
        <source>Type a value…</source>
        <translation>Wert eingeben…</translation>
    </message>
    <message>
        <source>Back to %1</source>
        <translation>Zurück auf %1</translation>
    </message>
    <message>
        <source>Copy the value</source>
        <translation>Wert kopieren</translation>
    </message>
    <message>
        <source>Paste a value</source>
        <translation>Wert einfügen</translation>
    </message>
    <message>
        <source>Unlock</source>
        <translation>Freigeben</translation>
    </message>
    <message>
        <source>Lock</source>
        <translation>Sperren</translation>
    </message>
    <message>
        <source>Write a note…</source>
        <translation>Notiz schreiben…</translation>
    </message>
    <message>
        <source>Change the note…</source>
        <translation>Notiz ändern…</translation>
    </message>
    <message>
        <source>Learn a MIDI controller</source>
        <translation>MIDI-Controller lernen</translation>
    </message>
    <message>
        <source>Forget controller %1</source>
        <translation>Controller %1 vergessen</translation>
    </message>
    <message>
        <source>%1: %2</source>
        <translation>%1: %2</translation>
    </message>
    <message>
        <source>Find the setting for…</source>
        <translation>Einstellung finden für…</translation>
    </message>
    <message>
        <source>Calibrate by reading…</source>
        <translation>Durch Ablesen eichen…</translation>
    </message>
    <message>
        <source>unknown, tried at %1</source>
        <translation>unbekannt, probiert bei %1</translation>
    </message>
    <message>
        <source>unknown</source>
        <translation>unbekannt</translation>
    </message>
    <message>
        <source>It stands where it is tried</source>
        <translation>Er steht, wo er probiert wird</translation>
    </message>
    <message>
        <source>Nobody knows where it stands</source>
        <translation>Niemand weiß, wo er steht</translation>
    </message>
    <message>
        <source>It stands between…</source>
        <translation>Er steht zwischen…</translation>
    </message>
</context>
<context>
    <name>lariat::KnobPanel</name>
    <message>
        <source>draw the contour of %1</source>
        <translation>Hüllkurve von %1 ziehen</translation>
    </message>
    <message>
        <source>One octave for what arrives</source>
        <translation>Eine Oktave für das, was ankommt</translation>
    </message>
    <message>
        <source>free a knob of its controller</source>
        <translation>Regler vom Controller lösen</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>choose %1</source>
        <translation>%1 wählen</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>Tuning</source>
        <translation>Stimmung</translation>
    </message>
    <message>
        <source>Unlock</source>
        <translation>Freigeben</translation>
    </message>
    <message>
        <source>Lock</source>
        <translation>Sperren</translation>
    </message>
    <message>
        <source>Write a note…</source>
        <translation>Notiz schreiben…</translation>
    </message>
    <message>
        <source>Learn a MIDI controller</source>
        <translation>MIDI-Controller lernen</translation>
    </message>
    <message>
        <source>Forget controller %1</source>
        <translation>Controller %1 vergessen</translation>
    </message>
    <message>
        <source>Move a controller of the MIDI device now; it will turn this knob. Esc leaves it as it is.</source>
        <translation>Jetzt einen Controller des MIDI-Geräts bewegen; er wird diesen Regler drehen. Esc lässt alles, wie es ist.</translation>
    </message>
    <message>
        <source>Note on a knob</source>
        <translation>Notiz zu einem Regler</translation>
    </message>
    <message>
        <source>What is to be said of it?</source>
        <translation>Was ist dazu zu sagen?</translation>
    </message>
    <message>
        <source>note on a knob</source>
        <translation>Notiz zu einem Regler</translation>
    </message>
    <message>
        <source>lock a knob</source>
        <translation>Regler sperren</translation>
    </message>
    <message>
        <source>unlock a knob</source>
        <translation>Regler freigeben</translation>
    </message>
    <message>
        <source>Down as long as it is pressed</source>
        <translation>Gedrückt, solange man drückt</translation>
    </message>
    <message>
        <source>Record what is played</source>
        <translation>Aufnehmen, was gespielt wird</translation>
    </message>
    <message>
        <source>What you play from now on, by keys, pad or MIDI, is played again until you press this once more: a whole number of beats long where a clock runs.</source>
        <translation>Was von jetzt an mit Tasten, Pad oder MIDI gespielt wird, bis man noch einmal drückt, wird immer wieder gespielt: eine ganze Zahl von Schlägen lang, wo ein Takt läuft.</translation>
    </message>
    <message>
        <source>It stands where it is tried</source>
        <translation>Er steht, wo er probiert wird</translation>
    </message>
    <message>
        <source>Nobody knows where it stands</source>
        <translation>Niemand weiß, wo er steht</translation>
    </message>
    <message>
        <source>mark a knob as unknown</source>
        <translation>einen Regler als unbekannt merken</translation>
    </message>
    <message>
        <source>a knob is known</source>
        <translation>ein Regler ist bekannt</translation>
    </message>
    <message>
        <source>A knob that nobody wrote down</source>
        <translation>Ein Regler, den niemand aufschrieb</translation>
    </message>
    <message>
        <source>Between which two places, or values, does %1 stand?</source>
        <translation>Zwischen welchen beiden Stellungen oder Werten steht %1?</translation>
    </message>
    <message>
        <source>%1 and %2</source>
        <translation>%1 und %2</translation>
    </message>
    <message>
        <source>“%1” says nothing: write two of its values, the lower first. It takes %2.</source>
        <translation>„%1“ sagt nichts: schreibe zwei seiner Werte, den niedrigeren zuerst. Er nimmt %2.</translation>
    </message>
    <message>
        <source>narrow a knob down</source>
        <translation>einen Regler eingrenzen</translation>
    </message>
</context>
<context>
    <name>lariat::LedgerView</name>
    <message>
        <source>: in use by %1</source>
        <translation>: benutzt von %1</translation>
    </message>
    <message>
        <source>: in use by %1, rows %2</source>
        <translation>: benutzt von %1, Zeilen %2</translation>
    </message>
    <message>
        <source>: free</source>
        <translation>: frei</translation>
    </message>
    <message>
        <source>%1 could stand in for a %2: %3</source>
        <translation>%1 könnte einspringen als %2: %3</translation>
    </message>
    <message numerus="yes">
        <source>%n free</source>
        <translation>
            <numerusform>%n frei</numerusform>
            <numerusform>%n frei</numerusform>
        </translation>
    </message>
    <message>
        <source>all in use</source>
        <translation>alle benutzt</translation>
    </message>
    <message numerus="yes">
        <source>%n can stand in</source>
        <translation>
            <numerusform>%n kann einspringen</numerusform>
            <numerusform>%n können einspringen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::LineEditor</name>
    <message>
        <source>play variation %1</source>
        <translation>Variation %1 spielen</translation>
    </message>
    <message>
        <source>begin variation %1</source>
        <translation>Variation %1 beginnen</translation>
    </message>
    <message>
        <source>The steps of %1 are its knobs; drag them up and down.</source>
        <translation>Die Schritte von %1 sind seine Regler; nach oben und unten ziehen.</translation>
    </message>
    <message>
        <source>%1 cannot hold that: %2. Take another sequencer from the case for the rest (Ctrl+E).</source>
        <translation>%1 kann das nicht halten: %2. Für den Rest einen weiteren Sequenzer aus dem Gehäuse nehmen (Strg+E).</translation>
    </message>
    <message>
        <source>Choose a track or lane first.</source>
        <translation>Zuerst eine Tonspur oder Schlagspur wählen.</translation>
    </message>
    <message>
        <source>write steps</source>
        <translation>Schritte schreiben</translation>
    </message>
    <message>
        <source>reverse steps</source>
        <translation>Schritte umkehren</translation>
    </message>
    <message>
        <source>shift steps</source>
        <translation>Schritte verschieben</translation>
    </message>
    <message>
        <source>thin out steps</source>
        <translation>Schritte ausdünnen</translation>
    </message>
    <message>
        <source>duplicate steps</source>
        <translation>Schritte verdoppeln</translation>
    </message>
    <message>
        <source>A line has %1 steps at most; what would be beyond is left out.</source>
        <translation>Eine Spur hat höchstens %1 Schritte; was darüber wäre, entfällt.</translation>
    </message>
    <message>
        <source>clear steps</source>
        <translation>Schritte leeren</translation>
    </message>
    <message>
        <source>change the length</source>
        <translation>Länge ändern</translation>
    </message>
    <message>
        <source>humanize steps</source>
        <translation>Schritte vermenschlichen</translation>
    </message>
    <message>
        <source>A lane has no velocities; swing makes it uneven.</source>
        <translation>Eine Schlagspur hat keine Anschlagstärken; Swing macht sie ungleichmäßig.</translation>
    </message>
    <message>
        <source>move notes</source>
        <translation>Noten verschieben</translation>
    </message>
    <message>
        <source>paste steps</source>
        <translation>Schritte einfügen</translation>
    </message>
    <message>
        <source>Copy steps of a line of the same kind first; notes go to tracks, hits to lanes.</source>
        <translation>Zuerst Schritte einer Spur gleicher Art kopieren; Noten gehen in Tonspuren, Schläge in Schlagspuren.</translation>
    </message>
</context>
<context>
    <name>lariat::LogKeeper</name>
    <message>
        <source>There is no folder of your own to keep a log in: set HOME.</source>
        <translation>Es gibt keinen eigenen Ordner für ein Log: setze HOME.</translation>
    </message>
    <message>
        <source>Keeping a take</source>
        <translation>Take behalten</translation>
    </message>
    <message>
        <source>The take was not kept: %1</source>
        <translation>Der Take wurde nicht behalten: %1</translation>
    </message>
    <message>
        <source>Kept as take %1.</source>
        <translation>Behalten als Take %1.</translation>
    </message>
    <message>
        <source>Take %1 cannot be gone back to: %2. Exported as a bundle it brings its modules along.</source>
        <translation>Zu Take %1 kann man nicht zurück: %2. Als Bündel exportiert bringt er seine Module mit.</translation>
    </message>
    <message>
        <source>go back to take %1</source>
        <translation>zurück zu Take %1</translation>
    </message>
    <message>
        <source>The sound of take %1 was not kept: %2</source>
        <translation>Der Klang von Take %1 wurde nicht behalten: %2</translation>
    </message>
</context>
<context>
    <name>lariat::LogPlace</name>
    <message>
        <source>Hear in turns</source>
        <translation>Abwechselnd hören</translation>
    </message>
    <message>
        <source>Heard: %1</source>
        <translation>Zu hören: %1</translation>
    </message>
    <message>
        <source>Find takes</source>
        <translation>Takes finden</translation>
    </message>
    <message>
        <source>Find: kick, tail D1, no findings</source>
        <translation>Finden: kick, tail D1, no findings</translation>
    </message>
    <message>
        <source>Words, figures, #tags and days, told apart by commas: decay 300-500 ms, rated 4, with keel, since 2026-11-03, has sound</source>
        <translation>Wörter, Messwerte, #Schlagworte und Tage, durch Kommas getrennt: decay 300-500 ms, rated 4, with keel, since 2026-11-03, has sound</translation>
    </message>
    <message>
        <source>Try again</source>
        <translation>Noch einmal</translation>
    </message>
    <message>
        <source>Keep a take</source>
        <translation>Take behalten</translation>
    </message>
    <message>
        <source>The patch as it is, with its sound (%1, in every place)</source>
        <translation>Den Patch, wie er ist, mit seinem Klang (%1, an jedem Ort)</translation>
    </message>
    <message>
        <source>What is different</source>
        <translation>Was anders ist</translation>
    </message>
    <message>
        <source>What is different; what is ticked can be brought over</source>
        <translation>Was anders ist; Angehaktes lässt sich übernehmen</translation>
    </message>
    <message>
        <source>What one hears of it</source>
        <translation>Was man davon hört</translation>
    </message>
    <message>
        <source>From one to the other at each bar, equally loud</source>
        <translation>Bei jedem Takt vom einen zum anderen, gleich laut</translation>
    </message>
    <message>
        <source>Blind, %1 rounds…</source>
        <translation>Blind, %1 Runden…</translation>
    </message>
    <message>
        <source>Bring over what is ticked</source>
        <translation>Angehaktes übernehmen</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Tags: drum slow</source>
        <translation>Schlagworte: trommel langsam</translation>
    </message>
    <message>
        <source>Rating</source>
        <translation>Bewertung</translation>
    </message>
    <message>
        <source>not rated</source>
        <translation>unbewertet</translation>
    </message>
    <message>
        <source>Notes</source>
        <translation>Notizen</translation>
    </message>
    <message>
        <source>&amp;Hold the take against…</source>
        <translation>Take &amp;vergleichen mit…</translation>
    </message>
    <message>
        <source>&amp;Throw the take away</source>
        <translation>Take &amp;wegwerfen</translation>
    </message>
    <message>
        <source>Take &amp;back what was thrown away</source>
        <translation>Weggeworfenes &amp;zurückholen</translation>
    </message>
    <message>
        <source>Nothing was thrown away since this window was opened.</source>
        <translation>Seit dieses Fenster offen ist, wurde nichts weggeworfen.</translation>
    </message>
    <message>
        <source>E&amp;xport the take…</source>
        <translation>Take e&amp;xportieren…</translation>
    </message>
    <message>
        <source>Export the take</source>
        <translation>Take exportieren</translation>
    </message>
    <message>
        <source>Bundle (*.lariat-bundle)</source>
        <translation>Bündel (*.lariat-bundle)</translation>
    </message>
    <message>
        <source>&amp;Import a take…</source>
        <translation>Take &amp;importieren…</translation>
    </message>
    <message>
        <source>Import a take</source>
        <translation>Take importieren</translation>
    </message>
    <message>
        <source>Bring another&apos;s changes in&amp;to it…</source>
        <translation>Änderungen von jemand anderem hereinho&amp;len…</translation>
    </message>
    <message>
        <source>What somebody else made of the take that is held against</source>
        <translation>Was jemand anderes aus dem Vergleichs-Take machte</translation>
    </message>
    <message>
        <source>Patch (*.lariat *.json)</source>
        <translation>Patch (*.lariat *.json)</translation>
    </message>
    <message>
        <source>&amp;Diary page of the day…</source>
        <translation>&amp;Tagebuchseite des Tages…</translation>
    </message>
    <message>
        <source>Save the page of the diary</source>
        <translation>Tagebuchseite speichern</translation>
    </message>
    <message>
        <source>HTML (*.html);;Markdown (*.md)</source>
        <translation>HTML (*.html);;Markdown (*.md)</translation>
    </message>
    <message>
        <source>&amp;Let old sounds go…</source>
        <translation>Alte &amp;Klänge weggeben…</translation>
    </message>
    <message>
        <source>as take %1</source>
        <translation>wie Take %1</translation>
    </message>
    <message>
        <source>not kept yet; from take %1</source>
        <translation>noch nicht behalten; aus Take %1</translation>
    </message>
    <message>
        <source>not kept yet</source>
        <translation>noch nicht behalten</translation>
    </message>
    <message>
        <source>No take yet. %1 keeps one at any moment, in every place, while everything goes on.</source>
        <translation>Noch kein Take. %1 behält jederzeit einen, an jedem Ort, während alles weiterläuft.</translation>
    </message>
    <message>
        <source>No take is like that.</source>
        <translation>So ist kein Take.</translation>
    </message>
    <message numerus="yes">
        <source>%n take(s) since %1</source>
        <translation>
            <numerusform>%n Take seit %1</numerusform>
            <numerusform>%n Takes seit %1</numerusform>
        </translation>
    </message>
    <message>
        <source>%1, sounds %2</source>
        <translation>%1, Klänge %2</translation>
    </message>
    <message>
        <source>Now</source>
        <translation>Jetzt</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>It came from no take. Ctrl and a click, or C, holds it against another one.</source>
        <translation>Er kam aus keinem Take. Strg und ein Klick, oder C, vergleicht ihn mit einem anderen.</translation>
    </message>
    <message>
        <source>What is different, held against %1</source>
        <translation>Was anders ist, verglichen mit %1</translation>
    </message>
    <message>
        <source>Go on from %1</source>
        <translation>Weiter von %1</translation>
    </message>
    <message>
        <source>You preferred %1 in %2 of %3 blind rounds.</source>
        <translation>Dir gefiel %1 in %2 von %3 blinden Runden besser.</translation>
    </message>
    <message>
        <source>row %1</source>
        <translation>Zeile %1</translation>
    </message>
    <message numerus="yes">
        <source>… and %n more</source>
        <translation>
            <numerusform>… und %n weitere</numerusform>
            <numerusform>… und %n weitere</numerusform>
        </translation>
    </message>
    <message>
        <source>Nothing is different.</source>
        <translation>Nichts ist anders.</translation>
    </message>
    <message>
        <source>Into the open patch, as one step that can be undone</source>
        <translation>In den offenen Patch, als ein Schritt, der sich zurücknehmen lässt</translation>
    </message>
    <message>
        <source>It cannot be brought over: %1</source>
        <translation>Es lässt sich nicht übernehmen: %1</translation>
    </message>
    <message>
        <source>The open patch has all of that already.</source>
        <translation>Der offene Patch hat all das schon.</translation>
    </message>
    <message>
        <source>bring over from %1</source>
        <translation>übernehmen aus %1</translation>
    </message>
    <message>
        <source>Brought over. Ctrl+Z takes it back.</source>
        <translation>Übernommen. Strg+Z nimmt es zurück.</translation>
    </message>
    <message>
        <source>First hold against the take that both of you began with.</source>
        <translation>Vergleiche zuerst mit dem Take, mit dem ihr beide begannt.</translation>
    </message>
    <message>
        <source>bring in the changes of another</source>
        <translation>Änderungen von jemand anderem hereinholen</translation>
    </message>
    <message>
        <source>yours: %1; left out: %2</source>
        <translation>deine: %1; weggelassen: %2</translation>
    </message>
    <message numerus="yes">
        <source>%n change(s) brought in.</source>
        <translation>
            <numerusform>%n Änderung hereingeholt.</numerusform>
            <numerusform>%n Änderungen hereingeholt.</numerusform>
        </translation>
    </message>
    <message>
        <source>%1 cannot be heard: %2</source>
        <translation>%1 ist nicht zu hören: %2</translation>
    </message>
    <message>
        <source>The patch is that of take %1 now. What comes next branches off there; Ctrl+Z goes back.</source>
        <translation>Der Patch ist jetzt der von Take %1. Was folgt, zweigt dort ab; Strg+Z geht zurück.</translation>
    </message>
    <message>
        <source>Take %1 is thrown away; for a day it can be taken back (menu Patch).</source>
        <translation>Take %1 ist weggeworfen; einen Tag lang lässt er sich zurückholen (Menü Patch).</translation>
    </message>
    <message>
        <source>older than a month</source>
        <translation>älter als ein Monat</translation>
    </message>
    <message>
        <source>older than a week</source>
        <translation>älter als eine Woche</translation>
    </message>
    <message>
        <source>all of them</source>
        <translation>alle</translation>
    </message>
    <message>
        <source>Let old sounds go</source>
        <translation>Alte Klänge weggeben</translation>
    </message>
    <message>
        <source>Sounds of takes that are rated less than 4 go; patches, notes and figures stay. Takes that are</source>
        <translation>Klänge von Takes mit weniger als 4 Punkten gehen; Patches, Notizen und Messwerte bleiben. Takes:</translation>
    </message>
    <message numerus="yes">
        <source>%n sound(s) went; the log is smaller by %1.</source>
        <translation>
            <numerusform>%n Klang ging; das Log ist um %1 kleiner.</numerusform>
            <numerusform>%n Klänge gingen; das Log ist um %1 kleiner.</numerusform>
        </translation>
    </message>
    <message>
        <source>Choose a take first.</source>
        <translation>Zuerst einen Take wählen.</translation>
    </message>
    <message>
        <source>Take %1 is in %2, with its modules and its sound.</source>
        <translation>Take %1 liegt in %2, mit seinen Modulen und seinem Klang.</translation>
    </message>
    <message>
        <source>It is take %1 now.</source>
        <translation>Er ist jetzt Take %1.</translation>
    </message>
    <message>
        <source>The page of the diary is in %1.</source>
        <translation>Die Tagebuchseite liegt in %1.</translation>
    </message>
    <message>
        <source>It is take %1 now. Its case and modules are in your folder.</source>
        <translation>Es ist jetzt Take %1. Gehäuse und Module liegen in Ihrem Ordner.</translation>
    </message>
    <message>
        <source>Blind rounds bet&amp;ween takes…</source>
        <translation>Blindrunden &amp;zwischen Takes …</translation>
    </message>
    <message>
        <source>Blind rounds between takes</source>
        <translation>Blindrunden zwischen Takes</translation>
    </message>
    <message>
        <source>Only rows that are different</source>
        <translation>Nur Zeilen, die anders sind</translation>
    </message>
    <message numerus="yes">
        <source>Show all %n row(s)</source>
        <translation>
            <numerusform>Die %n Zeile zeigen</numerusform>
            <numerusform>Alle %n Zeilen zeigen</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::MainWindow</name>
    <message>
        <source>Left out: %1</source>
        <translation>Ausgelassen: %1</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>&amp;Ansicht</translation>
    </message>
    <message>
        <source>&amp;Patch</source>
        <translation>&amp;Patch</translation>
    </message>
    <message>
        <source>&amp;Sound</source>
        <translation>&amp;Klang</translation>
    </message>
    <message>
        <source>Start or &amp;stop</source>
        <translation>&amp;Start oder Stopp</translation>
    </message>
    <message>
        <source>&amp;Back to bar 1</source>
        <translation>&amp;Zurück zu Takt 1</translation>
    </message>
    <message>
        <source>Monitor &amp;up</source>
        <translation>Abhöre &amp;lauter</translation>
    </message>
    <message>
        <source>Monitor &amp;down</source>
        <translation>Abhöre l&amp;eiser</translation>
    </message>
    <message>
        <source>&amp;Real case</source>
        <translation>Ec&amp;htes Gehäuse</translation>
    </message>
    <message>
        <source>&amp;History…</source>
        <translation>&amp;Verlauf…</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>&amp;Find a command…</source>
        <translation>&amp;Befehl suchen…</translation>
    </message>
    <message>
        <source>&amp;Shortcuts</source>
        <translation>&amp;Tastenkürzel</translation>
    </message>
    <message>
        <source>&amp;About Lariat</source>
        <translation>&amp;Über Lariat</translation>
    </message>
    <message>
        <source>&amp;File</source>
        <translation>&amp;Datei</translation>
    </message>
    <message>
        <source>&amp;New patch</source>
        <translation>&amp;Neuer Patch</translation>
    </message>
    <message>
        <source>New patch &amp;in</source>
        <translation>Neuer Patch &amp;in</translation>
    </message>
    <message>
        <source>New &amp;window</source>
        <translation>Neues &amp;Fenster</translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation>Ö&amp;ffnen…</translation>
    </message>
    <message>
        <source>Open &amp;recent</source>
        <translation>&amp;Zuletzt geöffnet</translation>
    </message>
    <message>
        <source>Open the &amp;demo</source>
        <translation>&amp;Demo öffnen</translation>
    </message>
    <message>
        <source>&amp;Save</source>
        <translation>&amp;Speichern</translation>
    </message>
    <message>
        <source>Save &amp;as…</source>
        <translation>Speichern &amp;unter…</translation>
    </message>
    <message>
        <source>Pre&amp;ferences…</source>
        <translation>&amp;Einstellungen…</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>&amp;Beenden</translation>
    </message>
    <message>
        <source>&amp;Edit</source>
        <translation>&amp;Bearbeiten</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation>&amp;Rückgängig</translation>
    </message>
    <message>
        <source>&amp;Redo</source>
        <translation>&amp;Wiederholen</translation>
    </message>
    <message>
        <source>Open it</source>
        <translation>Öffnen</translation>
    </message>
    <message>
        <source>%1 of %2 cables</source>
        <translation>%1 von %2 Kabeln</translation>
    </message>
    <message numerus="yes">
        <source>%n cable(s)</source>
        <translation>
            <numerusform>%n Kabel</numerusform>
            <numerusform>%n Kabel</numerusform>
        </translation>
    </message>
    <message>
        <source>nothing found wrong</source>
        <translation>nichts zu beanstanden</translation>
    </message>
    <message>
        <source>1 finding</source>
        <translation>1 Befund</translation>
    </message>
    <message>
        <source>%1 findings</source>
        <translation>%1 Befunde</translation>
    </message>
    <message>
        <source>not saved yet</source>
        <translation>noch nicht gespeichert</translation>
    </message>
    <message>
        <source>%1[*] (%2) – Lariat</source>
        <translation>%1[*] (%2) – Lariat</translation>
    </message>
    <message>
        <source>History</source>
        <translation>Verlauf</translation>
    </message>
    <message>
        <source>as it was opened</source>
        <translation>wie geöffnet</translation>
    </message>
    <message>
        <source>Drop one file at a time.</source>
        <translation>Nur eine Datei auf einmal ablegen.</translation>
    </message>
    <message>
        <source>%1 is not a file on this machine.</source>
        <translation>%1 ist keine Datei auf diesem Rechner.</translation>
    </message>
    <message>
        <source>Up, Down</source>
        <translation>Auf, Ab</translation>
    </message>
    <message>
        <source>On the chart: the row before or after</source>
        <translation>Im Plan: die Zeile davor oder danach</translation>
    </message>
    <message>
        <source>Shift+Up, Shift+Down</source>
        <translation>Umschalt+Auf, Umschalt+Ab</translation>
    </message>
    <message>
        <source>On the chart: choose rows beside the one that is chosen</source>
        <translation>Im Plan: weitere Zeilen dazuwählen</translation>
    </message>
    <message>
        <source>Menu key</source>
        <translation>Menütaste</translation>
    </message>
    <message>
        <source>On the chart: what can be done with the row or post</source>
        <translation>Im Plan: was mit Zeile oder Pfosten möglich ist</translation>
    </message>
    <message>
        <source>A to L, W E T Z U O P</source>
        <translation>A bis L, W E T Z U O P</translation>
    </message>
    <message>
        <source>On the keys: play; Page Up and Page Down change the octave</source>
        <translation>Auf den Tasten: spielen; Bild auf und Bild ab wechseln die Oktave</translation>
    </message>
    <message>
        <source>Left, Right</source>
        <translation>Links, Rechts</translation>
    </message>
    <message>
        <source>On the chart: the post before or after</source>
        <translation>Im Plan: der Pfosten davor oder danach</translation>
    </message>
    <message>
        <source>On a knob: ten minutes of the clock hand; with Shift one minute</source>
        <translation>Auf einem Regler: zehn Minuten des Uhrzeigers; mit Umschalt eine Minute</translation>
    </message>
    <message>
        <source>Enter</source>
        <translation>Eingabe</translation>
    </message>
    <message>
        <source>On a knob: type a value or a position</source>
        <translation>Auf einem Regler: Wert oder Stellung eingeben</translation>
    </message>
    <message>
        <source>Shortcuts</source>
        <translation>Tastenkürzel</translation>
    </message>
    <message>
        <source>About Lariat</source>
        <translation>Über Lariat</translation>
    </message>
    <message>
        <source>&lt;b&gt;Lariat %1&lt;/b&gt;&lt;p&gt;Plans, simulates and documents modular synthesizer patches.&lt;/p&gt;&lt;p&gt;Free software under the GNU General Public License, version 3 or later.&lt;/p&gt;</source>
        <translation>&lt;b&gt;Lariat %1&lt;/b&gt;&lt;p&gt;Plant, simuliert und beschreibt Patches für Modularsynthesizer.&lt;/p&gt;&lt;p&gt;Freie Software unter der GNU General Public License, Version 3 oder später.&lt;/p&gt;</translation>
    </message>
    <message>
        <source>Title, key, tempo and description of the patch (%1)</source>
        <translation>Titel, Tonart, Tempo und Beschreibung des Patches (%1)</translation>
    </message>
    <message numerus="yes">
        <source>Lariat was not closed properly. %n unsaved work(s) were kept; the File menu lists them, the newest is “%1” of %2.</source>
        <translation>
            <numerusform>Lariat wurde nicht richtig beendet. %n nicht gespeicherte Arbeit ist erhalten; sie steht im Menü Datei: „%1“ vom %2.</numerusform>
            <numerusform>Lariat wurde nicht richtig beendet. %n nicht gespeicherte Arbeiten sind erhalten; sie stehen im Menü Datei, die neueste ist „%1“ vom %2.</numerusform>
        </translation>
    </message>
    <message>
        <source>Later</source>
        <translation>Später</translation>
    </message>
    <message>
        <source>looking…</source>
        <translation>wird geprüft …</translation>
    </message>
    <message>
        <source>not finished yet</source>
        <translation>noch nicht fertig</translation>
    </message>
    <message>
        <source>A&amp;bout this patch…</source>
        <translation>Ü&amp;ber diesen Patch…</translation>
    </message>
    <message>
        <source>&amp;Unsaved work</source>
        <translation>&amp;Nicht gespeicherte Arbeit</translation>
    </message>
    <message>
        <source>Ni&amp;ght Watch</source>
        <translation>Ni&amp;ght Watch</translation>
    </message>
    <message>
        <source>Sound to a &amp;file…</source>
        <translation>&amp;Klang in eine Datei…</translation>
    </message>
    <message>
        <source>&amp;Close this window</source>
        <translation>Dieses Fenster s&amp;chließen</translation>
    </message>
    <message>
        <source>B&amp;ack to where I was</source>
        <translation>&amp;Zurück, wo ich war</translation>
    </message>
    <message>
        <source>Sound to a file</source>
        <translation>Klang in eine Datei</translation>
    </message>
    <message>
        <source>WAV (*.wav)</source>
        <translation>WAV (*.wav)</translation>
    </message>
    <message>
        <source>sound to %1</source>
        <translation>Klang in %1</translation>
    </message>
    <message>
        <source>The sound is in %1.</source>
        <translation>Der Klang steht in %1.</translation>
    </message>
    <message>
        <source>&amp;Tap the tempo</source>
        <translation>Tempo &amp;tippen</translation>
    </message>
    <message>
        <source>Tap again in time; the tempo follows from the second tap on.</source>
        <translation>Noch einmal im Takt tippen; vom zweiten Mal an folgt das Tempo.</translation>
    </message>
    <message>
        <source>No clock of this patch sets a tempo.</source>
        <translation>Kein Taktgeber dieses Patches bestimmt ein Tempo.</translation>
    </message>
    <message>
        <source>not checked</source>
        <translation>nicht geprüft</translation>
    </message>
    <message>
        <source>&amp;Reckoner: tempos, times, pitches, levels…</source>
        <translation>&amp;Rechner: Tempi, Zeiten, Tonhöhen, Pegel …</translation>
    </message>
    <message>
        <source>On the steps: the step before or after; with Shift more of them</source>
        <translation>Auf den Schritten: der Schritt davor oder danach; mit Umschalt mehrere</translation>
    </message>
    <message>
        <source>On the steps: notes along the key; with Shift by semitones</source>
        <translation>Auf den Schritten: Noten in der Tonart; mit Umschalt in Halbtönen</translation>
    </message>
    <message>
        <source>Page Up, Page Down</source>
        <translation>Bild auf, Bild ab</translation>
    </message>
    <message>
        <source>On the steps: the line before or after</source>
        <translation>Auf den Schritten: die Spur davor oder danach</translation>
    </message>
    <message>
        <source>a to g, x, -, =, !, ~</source>
        <translation>a bis g, x, -, =, !, ~</translation>
    </message>
    <message>
        <source>On the steps: notes, a hit, a rest, a tie; accent or slide of the step before</source>
        <translation>Auf den Schritten: Noten, ein Schlag, eine Pause, Halten; Betonung oder Gleiten des Schritts davor</translation>
    </message>
    <message>
        <source>On the steps: letters an octave lower or higher</source>
        <translation>Auf den Schritten: Buchstaben eine Oktave tiefer oder höher</translation>
    </message>
    <message>
        <source>Re&amp;cord what is heard…</source>
        <translation>&amp;Aufnehmen, was zu hören ist…</translation>
    </message>
    <message>
        <source>End the re&amp;cording</source>
        <translation>&amp;Aufnahme beenden</translation>
    </message>
    <message>
        <source>FLAC (*.flac)</source>
        <translation>FLAC (*.flac)</translation>
    </message>
    <message>
        <source>The sound is in %1, its voices are in %2.</source>
        <translation>Der Klang ist in %1, seine Stimmen sind in %2.</translation>
    </message>
    <message>
        <source>Record to</source>
        <translation>Aufnehmen nach</translation>
    </message>
    <message>
        <source> take</source>
        <translation> Aufnahme</translation>
    </message>
    <message>
        <source>WAV (*.wav);;FLAC (*.flac)</source>
        <translation>WAV (*.wav);;FLAC (*.flac)</translation>
    </message>
    <message>
        <source>Record each &amp;voice too</source>
        <translation>Auch jede St&amp;imme aufnehmen</translation>
    </message>
    <message>
        <source>Each voice and bus goes to a file of its own beside the recording, as it leaves for what others share</source>
        <translation>Jede Stimme und jeder Bus kommt in eine eigene Datei neben der Aufnahme, so wie sie zu dem gehen, was andere teilen</translation>
    </message>
    <message>
        <source>Save as a &amp;bundle…</source>
        <translation>Als &amp;Bündel speichern…</translation>
    </message>
    <message>
        <source>Open a bun&amp;dle…</source>
        <translation>Bün&amp;del öffnen…</translation>
    </message>
    <message>
        <source>&amp;Keep a take of it</source>
        <translation>Take davon &amp;behalten</translation>
    </message>
    <message>
        <source>Patch from n&amp;otes…</source>
        <translation>Patch aus N&amp;otizen…</translation>
    </message>
    <message>
        <source>%1 of %2 lines were understood; the others stand in what is said of the patch.</source>
        <translation>%1 von %2 Zeilen wurden verstanden; die anderen stehen in der Beschreibung des Patches.</translation>
    </message>
</context>
<context>
    <name>lariat::MakerPage</name>
    <message>
        <source>Back to the case</source>
        <translation>Zurück zum Case</translation>
    </message>
    <message>
        <source>How the module is seen on the stand</source>
        <translation>Wie das Modul auf dem Prüfstand zu sehen ist</translation>
    </message>
    <message>
        <source>On the stand: its panel</source>
        <translation>Auf dem Prüfstand: seine Front</translation>
    </message>
    <message>
        <source>On the stand: behind the panel</source>
        <translation>Auf dem Prüfstand: hinter der Front</translation>
    </message>
    <message>
        <source>Stop the stand</source>
        <translation>Prüfstand anhalten</translation>
    </message>
    <message>
        <source>To a file…</source>
        <translation>In eine Datei…</translation>
    </message>
    <message>
        <source>Keep it among my modules</source>
        <translation>Zu meinen Modulen nehmen</translation>
    </message>
    <message>
        <source>Let the stand play</source>
        <translation>Prüfstand spielen lassen</translation>
    </message>
    <message>
        <source>The test stand needs the sound device: end the recording first.</source>
        <translation>Der Prüfstand braucht das Audiogerät: beende zuerst die Aufnahme.</translation>
    </message>
    <message>
        <source>These are the lines that were left here unfinished. Take everything out to begin anew.</source>
        <translation>Das sind die Zeilen, die hier unfertig liegen blieben. Nimm alles heraus, um neu anzufangen.</translation>
    </message>
    <message>
        <source>%1, %2 HP</source>
        <translation>%1, %2 HP</translation>
    </message>
    <message>
        <source>The lines are being changed: do it again once they hold.</source>
        <translation>Die Zeilen werden gerade geändert: tu es noch einmal, wenn sie stimmen.</translation>
    </message>
    <message>
        <source>It is in the lines.</source>
        <translation>Es steht in den Zeilen.</translation>
    </message>
    <message>
        <source>Line %1: %2</source>
        <translation>Zeile %1: %2</translation>
    </message>
    <message numerus="yes">
        <source>and %n more</source>
        <translation>
            <numerusform>und noch %n</numerusform>
            <numerusform>und noch %n</numerusform>
        </translation>
    </message>
    <message>
        <source>It holds, and stands on the stand.</source>
        <translation>Es stimmt und steht auf dem Prüfstand.</translation>
    </message>
    <message>
        <source>There is a module %1 already: give this one another name, or a line &quot;id …&quot;.</source>
        <translation>Es gibt schon ein Modul %1: gib diesem einen anderen Namen oder eine Zeile „id …“.</translation>
    </message>
    <message>
        <source>change a module</source>
        <translation>ein Modul ändern</translation>
    </message>
    <message>
        <source>%1 is among your modules; add it to a case with Add a module.</source>
        <translation>%1 gehört jetzt zu deinen Modulen; mit „Modul hinzufügen“ kommt es in ein Case.</translation>
    </message>
    <message>
        <source>%1 is changed, here and in your folder.</source>
        <translation>%1 ist geändert, hier und in deinem Ordner.</translation>
    </message>
    <message>
        <source>Module to a file</source>
        <translation>Modul in eine Datei</translation>
    </message>
    <message>
        <source>Modules (*.json)</source>
        <translation>Module (*.json)</translation>
    </message>
    <message>
        <source>%1 is in %2.</source>
        <translation>%1 liegt in %2.</translation>
    </message>
    <message>
        <source>Before the first part: module, id, about, noise, and the width with its currents, as 10 HP, 45 mA on +12 V, 40 mA on -12 V</source>
        <translation>Vor dem ersten Teil: module, id, about, noise und die Breite mit den Strömen, etwa 10 HP, 45 mA on +12 V, 40 mA on -12 V</translation>
    </message>
    <message>
        <source>Add a block…</source>
        <translation>Block hinzufügen…</translation>
    </message>
    <message>
        <source>Take it out</source>
        <translation>Herausnehmen</translation>
    </message>
    <message>
        <source>Takes the chosen block out, with its wires and what stands on the panel for it</source>
        <translation>Nimmt den gewählten Block heraus, mit seinen Drähten und dem, was auf der Frontplatte für ihn steht</translation>
    </message>
    <message>
        <source>Add a block</source>
        <translation>Block hinzufügen</translation>
    </message>
    <message>
        <source>Type what it is: VCO, filter, contour …</source>
        <translation>Eingeben, was es ist: VCO, Filter, Hüllkurve …</translation>
    </message>
    <message>
        <source>add %1</source>
        <translation>%1 hinzufügen</translation>
    </message>
    <message>
        <source>Choose a block of the module first: what plays it stays on the stand.</source>
        <translation>Erst einen Block des Moduls wählen: was es spielt, bleibt auf dem Prüfstand.</translation>
    </message>
    <message>
        <source>take %1 out</source>
        <translation>%1 herausnehmen</translation>
    </message>
</context>
<context>
    <name>lariat::MessageStrip</name>
    <message>
        <source>Close</source>
        <translation>Schließen</translation>
    </message>
</context>
<context>
    <name>lariat::Meter</name>
    <message>
        <source>silent</source>
        <translation>stumm</translation>
    </message>
</context>
<context>
    <name>lariat::MidiTableView</name>
    <message>
        <source>nothing</source>
        <translation>nichts</translation>
    </message>
    <message>
        <source>pitch</source>
        <translation>Tonhöhe</translation>
    </message>
    <message>
        <source>gate</source>
        <translation>Gate</translation>
    </message>
    <message>
        <source>velocity</source>
        <translation>Anschlagstärke</translation>
    </message>
    <message>
        <source>pitch bend</source>
        <translation>Tonbeugung</translation>
    </message>
    <message>
        <source>modulation wheel</source>
        <translation>Modulationsrad</translation>
    </message>
    <message>
        <source>pressure</source>
        <translation>Druck</translation>
    </message>
    <message>
        <source>a controller</source>
        <translation>ein Regler</translation>
    </message>
    <message>
        <source>hold pedal</source>
        <translation>Haltepedal</translation>
    </message>
    <message>
        <source>clock</source>
        <translation>Takt</translation>
    </message>
    <message>
        <source>high from start to stop</source>
        <translation>hoch von Start bis Stopp</translation>
    </message>
    <message>
        <source>trigger of a note</source>
        <translation>Trigger einer Note</translation>
    </message>
    <message>
        <source>Port</source>
        <translation>Anschluss</translation>
    </message>
    <message>
        <source>Gives</source>
        <translation>Gibt</translation>
    </message>
    <message>
        <source>Channel</source>
        <translation>Kanal</translation>
    </message>
    <message>
        <source>What the ports give</source>
        <translation>Was die Anschlüsse geben</translation>
    </message>
    <message>
        <source>What the chosen port gives</source>
        <translation>Was der gewählte Anschluss gibt</translation>
    </message>
    <message>
        <source>Of which channel</source>
        <translation>Von welchem Kanal</translation>
    </message>
    <message>
        <source>any</source>
        <translation>jeder</translation>
    </message>
    <message>
        <source>Voice, note, pulses a beat or controller</source>
        <translation>Stimme, Note, Pulse je Schlag oder Regler</translation>
    </message>
    <message>
        <source>The voice; of a trigger the note; of a clock the pulses a beat; of a controller its number</source>
        <translation>Die Stimme; bei einem Trigger die Note; bei einem Takt die Pulse je Schlag; bei einem Regler seine Nummer</translation>
    </message>
    <message>
        <source>Its own table</source>
        <translation>Eigene Tabelle</translation>
    </message>
    <message>
        <source>Table of “%1”; a change makes it its own</source>
        <translation>Tabelle von „%1“; eine Änderung macht sie zur eigenen</translation>
    </message>
    <message>
        <source>%1 gives %2</source>
        <translation>%1 gibt %2</translation>
    </message>
</context>
<context>
    <name>lariat::ModuleLines</name>
    <message>
        <source>The module, one thing a line</source>
        <translation>Das Modul, eine Sache je Zeile</translation>
    </message>
</context>
<context>
    <name>lariat::MoveRecorder</name>
    <message>
        <source>Keep a scene first; moves belong to scenes.</source>
        <translation>Zuerst eine Szene festhalten; Bewegungen gehören zu Szenen.</translation>
    </message>
    <message>
        <source>record moves</source>
        <translation>Bewegungen aufnehmen</translation>
    </message>
    <message numerus="yes">
        <source>%n move(s) recorded.</source>
        <translation>
            <numerusform>%n Bewegung aufgenommen.</numerusform>
            <numerusform>%n Bewegungen aufgenommen.</numerusform>
        </translation>
    </message>
    <message>
        <source>What was turned behind the last scene is not among them.</source>
        <translation>Was hinter der letzten Szene gedreht wurde, ist nicht dabei.</translation>
    </message>
</context>
<context>
    <name>lariat::NotesDialog</name>
    <message>
        <source>A patch from notes</source>
        <translation>Ein Patch aus Notizen</translation>
    </message>
    <message>
        <source>In which case</source>
        <translation>In welchem Gehäuse</translation>
    </message>
    <message>
        <source>Text from a file…</source>
        <translation>Text aus einer Datei…</translation>
    </message>
    <message>
        <source>Notes, a line each</source>
        <translation>Notizen, je eine Zeile</translation>
    </message>
    <message>
        <source>As you wrote it down:

VCO1 saw -&gt; VCF in, cutoff ~ 10 o&apos;clock, res ?
VCF -&gt; VCA -&gt; out
env 1 to VCA, decay short
seq: d3 d3 - f3
tempo 112</source>
        <translation>Wie du es aufgeschrieben hast (auf Englisch):

VCO1 saw -&gt; VCF in, cutoff ~ 10 o&apos;clock, res ?
VCF -&gt; VCA -&gt; out
env 1 to VCA, decay short
seq: d3 d3 - f3
tempo 112</translation>
    </message>
    <message>
        <source>What each line was understood as</source>
        <translation>Wie jede Zeile verstanden wurde</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>Open as a new patch</source>
        <translation>Als neuen Patch öffnen</translation>
    </message>
    <message>
        <source>Text from a file</source>
        <translation>Text aus einer Datei</translation>
    </message>
    <message>
        <source>Text (*.txt *.md);;All files (*)</source>
        <translation>Text (*.txt *.md);;Alle Dateien (*)</translation>
    </message>
    <message>
        <source>From notes</source>
        <translation>Aus Notizen</translation>
    </message>
    <message>
        <source>Not understood: %1</source>
        <translation>Nicht verstanden: %1</translation>
    </message>
    <message>
        <source>Perhaps: %1</source>
        <translation>Vielleicht: %1</translation>
    </message>
    <message numerus="yes">
        <source>%1 of %n line(s) understood</source>
        <translation>
            <numerusform>%1 von %n Zeile verstanden</numerusform>
            <numerusform>%1 von %n Zeilen verstanden</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cable(s)</source>
        <translation>
            <numerusform>%n Kabel</numerusform>
            <numerusform>%n Kabel</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n knob(s) unknown</source>
        <translation>
            <numerusform>%n Regler unbekannt</numerusform>
            <numerusform>%n Regler unbekannt</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::PadSurface</name>
    <message>
        <source>Pad to play on</source>
        <translation>Pad zum Spielen</translation>
    </message>
    <message>
        <source>Press and move: x and y follow, and touch is open while you hold. Arrow keys move as well; it stays where it is let go. Enter opens touch by hand for as long as it is down.</source>
        <translation>Drücken und bewegen: x und y folgen, und touch ist offen, solange gehalten wird. Auch die Pfeiltasten bewegen; es bleibt, wo es losgelassen wird. Die Eingabetaste öffnet touch von Hand, solange sie unten ist.</translation>
    </message>
</context>
<context>
    <name>lariat::PairPicture</name>
    <message>
        <source>Outline and spectrum of both</source>
        <translation>Umriss und Spektrum von beiden</translation>
    </message>
    <message>
        <source>Both at one loudness</source>
        <translation>Beide gleich laut</translation>
    </message>
    <message>
        <source>What is in them</source>
        <translation>Was in ihnen steckt</translation>
    </message>
</context>
<context>
    <name>lariat::PatchDialog</name>
    <message>
        <source>About this patch</source>
        <translation>Über diesen Patch</translation>
    </message>
    <message>
        <source>major</source>
        <translation>Dur</translation>
    </message>
    <message>
        <source>minor</source>
        <translation>Moll</translation>
    </message>
    <message>
        <source>dorian</source>
        <translation>dorisch</translation>
    </message>
    <message>
        <source>phrygian</source>
        <translation>phrygisch</translation>
    </message>
    <message>
        <source>mixolydian</source>
        <translation>mixolydisch</translation>
    </message>
    <message>
        <source>&amp;Title</source>
        <translation>&amp;Titel</translation>
    </message>
    <message>
        <source>&amp;Key</source>
        <translation>Ton&amp;art</translation>
    </message>
    <message>
        <source>Te&amp;mpo</source>
        <translation>Te&amp;mpo</translation>
    </message>
    <message>
        <source>It comes from %1: the knob “%2”.</source>
        <translation>Es kommt von %1: Regler „%2“.</translation>
    </message>
    <message>
        <source>No clock of this patch sets a tempo.</source>
        <translation>Kein Taktgeber dieses Patches bestimmt ein Tempo.</translation>
    </message>
    <message>
        <source>&amp;Description</source>
        <translation>&amp;Beschreibung</translation>
    </message>
    <message>
        <source>“%1” is no tempo; write %2.</source>
        <translation>„%1“ ist kein Tempo; möglich ist %2.</translation>
    </message>
    <message>
        <source>The clock is gone.</source>
        <translation>Der Taktgeber ist nicht mehr da.</translation>
    </message>
    <message>
        <source>describe the patch</source>
        <translation>Patch beschreiben</translation>
    </message>
</context>
<context>
    <name>lariat::PatchPlace</name>
    <message>
        <source>Show all</source>
        <translation>Alles zeigen</translation>
    </message>
    <message>
        <source>&amp;Tie a cable</source>
        <translation>Kabel &amp;verbinden</translation>
    </message>
    <message>
        <source>&amp;Play from a MIDI file…</source>
        <translation>Aus einer MIDI-Datei s&amp;pielen…</translation>
    </message>
    <message>
        <source>Choose all &amp;rows</source>
        <translation>Alle &amp;Zeilen wählen</translation>
    </message>
    <message>
        <source>&amp;Compact rows</source>
        <translation>&amp;Kompakte Zeilen</translation>
    </message>
    <message>
        <source>Wires &amp;behind the panel</source>
        <translation>&amp;Drähte hinter der Platte</translation>
    </message>
    <message>
        <source>Hold the &amp;traces</source>
        <translation>&amp;Signalbilder anhalten</translation>
    </message>
    <message>
        <source>&amp;Larger rows</source>
        <translation>&amp;Größere Zeilen</translation>
    </message>
    <message>
        <source>&amp;Smaller rows</source>
        <translation>K&amp;leinere Zeilen</translation>
    </message>
    <message>
        <source>Rows as &amp;usual</source>
        <translation>Zeilen wie &amp;üblich</translation>
    </message>
    <message>
        <source>Only the &amp;path of this cable or post</source>
        <translation>Nur den &amp;Weg dieses Kabels oder Pfostens</translation>
    </message>
    <message>
        <source>Only this &amp;voice</source>
        <translation>Nur diese S&amp;timme</translation>
    </message>
    <message>
        <source>The &amp;whole patch</source>
        <translation>Der ganze &amp;Patch</translation>
    </message>
    <message>
        <source>Build &amp;row by row</source>
        <translation>Aufbau Zeile für &amp;Zeile</translation>
    </message>
    <message>
        <source>Row by row: &amp;next</source>
        <translation>Zeile für Zeile: &amp;weiter</translation>
    </message>
    <message>
        <source>Row by row: bac&amp;k</source>
        <translation>Zeile für Zeile: zurüc&amp;k</translation>
    </message>
    <message>
        <source>What is ch&amp;osen</source>
        <translation>Was ge&amp;wählt ist</translation>
    </message>
    <message>
        <source>All &amp;findings</source>
        <translation>Alle &amp;Befunde</translation>
    </message>
    <message>
        <source>Settings &amp;A and B</source>
        <translation>Einstellungen &amp;A und B</translation>
    </message>
    <message>
        <source>Choose a row of the chart first.</source>
        <translation>Zuerst eine Zeile des Plans wählen.</translation>
    </message>
    <message>
        <source>&amp;Listen to this cable, or to the way out again</source>
        <translation>In dieses &amp;Kabel hören, oder wieder in den Ausgang</translation>
    </message>
    <message>
        <source>You hear this cable alone, without DC and at half its voltage.</source>
        <translation>Zu hören ist nur dieses Kabel, ohne Gleichspannung und mit halber Spannung.</translation>
    </message>
    <message>
        <source>You hear the way out again.</source>
        <translation>Zu hören ist wieder der Ausgang.</translation>
    </message>
    <message>
        <source>&amp;Hear this voice alone, or all</source>
        <translation>&amp;Nur diese Stimme hören, oder alle</translation>
    </message>
    <message>
        <source>Let &amp;everything sound</source>
        <translation>&amp;Alles wieder hören</translation>
    </message>
    <message>
        <source>&amp;Keys to play on</source>
        <translation>&amp;Tasten zum Spielen</translation>
    </message>
    <message>
        <source>This patch has no keys and no MIDI converter that could be played. Add one with Ctrl+E.</source>
        <translation>Dieser Patch hat weder Tasten noch einen MIDI-Wandler zum Spielen. Mit Strg+E hinzufügen.</translation>
    </message>
    <message>
        <source>Choose a row or a post first; its path is what reaches it and what it reaches.</source>
        <translation>Zuerst eine Zeile oder einen Pfosten wählen; der Weg ist, was dorthin und von dort weiter führt.</translation>
    </message>
    <message>
        <source>Only the path of %1: %2 of %3 cables</source>
        <translation>Nur der Weg von %1: %2 von %3 Kabeln</translation>
    </message>
    <message>
        <source>Choose a row or a post of the voice first.</source>
        <translation>Zuerst eine Zeile oder einen Pfosten der Stimme wählen.</translation>
    </message>
    <message>
        <source>Only %1: %2 of %3 cables</source>
        <translation>Nur %1: %2 von %3 Kabeln</translation>
    </message>
    <message>
        <source>Choose keys, a MIDI converter or a pad first; they are what can be played.</source>
        <translation>Zuerst Tasten, einen MIDI-Wandler oder ein Pad wählen; darauf lässt sich spielen.</translation>
    </message>
    <message>
        <source>Play from a MIDI file</source>
        <translation>Aus einer MIDI-Datei spielen</translation>
    </message>
    <message>
        <source>MIDI files (*.mid *.midi)</source>
        <translation>MIDI-Dateien (*.mid *.midi)</translation>
    </message>
    <message>
        <source>play %1</source>
        <translation>%1 spielen</translation>
    </message>
    <message>
        <source>tie %1 to %2</source>
        <translation>%1 mit %2 verbinden</translation>
    </message>
    <message>
        <source>%1: done. Ctrl+Z takes it back.</source>
        <translation>%1: erledigt. Strg+Z nimmt es zurück.</translation>
    </message>
    <message>
        <source>Keep it as it is</source>
        <translation>So lassen</translation>
    </message>
    <message>
        <source>Why is it meant? %1</source>
        <translation>Warum ist das gewollt? %1</translation>
    </message>
    <message>
        <source>it is meant</source>
        <translation>es ist gewollt</translation>
    </message>
    <message>
        <source>keep a finding as it is</source>
        <translation>Befund so lassen</translation>
    </message>
    <message>
        <source>No controller is learned.</source>
        <translation>Es wird kein Controller gelernt.</translation>
    </message>
    <message numerus="yes">
        <source>%1 holds %n message(s).</source>
        <translation>
            <numerusform>%1 enthält %n Nachricht.</numerusform>
            <numerusform>%1 enthält %n Nachrichten.</numerusform>
        </translation>
    </message>
    <message>
        <source>Left out: %1.</source>
        <translation>Ausgelassen: %1.</translation>
    </message>
    <message numerus="yes">
        <source>They take the place of the %n message(s) that are played now.</source>
        <translation>
            <numerusform>Sie treten an die Stelle der %n Nachricht, die jetzt gespielt wird.</numerusform>
            <numerusform>Sie treten an die Stelle der %n Nachrichten, die jetzt gespielt werden.</numerusform>
        </translation>
    </message>
    <message>
        <source>Mute the &amp;row, or let it sound</source>
        <translation>&amp;Zeile stummschalten oder klingen lassen</translation>
    </message>
    <message>
        <source>Mute this &amp;voice, or let it sound</source>
        <translation>Diese &amp;Stimme stummschalten oder klingen lassen</translation>
    </message>
    <message>
        <source>Only the way to it: %1 of %2 cables</source>
        <translation>Nur der Weg dorthin: %1 von %2 Kabeln</translation>
    </message>
</context>
<context>
    <name>lariat::PlanPlace</name>
    <message>
        <source>The plan</source>
        <translation>Der Plan</translation>
    </message>
    <message>
        <source>What is kept small</source>
        <translation>Was klein bleiben soll</translation>
    </message>
    <message>
        <source>fewest cables</source>
        <translation>wenigste Kabel</translation>
    </message>
    <message>
        <source>fewest modules</source>
        <translation>wenigste Module</translation>
    </message>
    <message>
        <source>fewest moves</source>
        <translation>wenigste Handgriffe</translation>
    </message>
    <message>
        <source>one row of the case</source>
        <translation>eine Reihe des Gehäuses</translation>
    </message>
    <message>
        <source>Beside what is there, or instead of a voice</source>
        <translation>Neben dem Vorhandenen oder statt einer Stimme</translation>
    </message>
    <message>
        <source>Who plays what</source>
        <translation>Wer spielt was</translation>
    </message>
    <message>
        <source>Goals</source>
        <translation>Ziele</translation>
    </message>
    <message>
        <source>Find settings</source>
        <translation>Einstellungen finden</translation>
    </message>
    <message>
        <source>Hear it</source>
        <translation>Anhören</translation>
    </message>
    <message>
        <source>Other plans</source>
        <translation>Andere Pläne</translation>
    </message>
    <message>
        <source>Into the patch</source>
        <translation>In den Patch</translation>
    </message>
    <message>
        <source>Build with me</source>
        <translation>Mit mir bauen</translation>
    </message>
    <message>
        <source>Find settings of the plan</source>
        <translation>Einstellungen des Plans finden</translation>
    </message>
    <message>
        <source>Plan into the patch</source>
        <translation>Plan in den Patch übernehmen</translation>
    </message>
    <message>
        <source>Keep voice as a recipe…</source>
        <translation>Stimme als Rezept behalten…</translation>
    </message>
    <message>
        <source>Take apart with me</source>
        <translation>Mit mir abbauen</translation>
    </message>
    <message>
        <source>what counts</source>
        <translation>was zählt</translation>
    </message>
    <message>
        <source>where</source>
        <translation>wo</translation>
    </message>
    <message>
        <source>beside what is there</source>
        <translation>neben dem, was da ist</translation>
    </message>
    <message>
        <source>instead of %1</source>
        <translation>statt %1</translation>
    </message>
    <message>
        <source>Choose a recipe on the left.</source>
        <translation>Links ein Rezept wählen.</translation>
    </message>
    <message>
        <source>This patch names a case that is not here: choose one in the Stock place.</source>
        <translation>Dieser Patch nennt ein Gehäuse, das es hier nicht gibt: im Bestand eines wählen.</translation>
    </message>
    <message>
        <source>Planning…</source>
        <translation>Es wird geplant…</translation>
    </message>
    <message>
        <source>Planning</source>
        <translation>Planen</translation>
    </message>
    <message>
        <source>Measuring the plan</source>
        <translation>Der Plan wird gemessen</translation>
    </message>
    <message>
        <source>This recipe has no knob that is to be found: what it says is where they stand.</source>
        <translation>Dieses Rezept hat keinen Regler zu suchen: sie stehen, wie es sagt.</translation>
    </message>
    <message>
        <source>Turning knobs in silent runs…</source>
        <translation>Regler werden in stillen Läufen gedreht…</translation>
    </message>
    <message>
        <source>Finding settings</source>
        <translation>Einstellungen werden gesucht</translation>
    </message>
    <message>
        <source>Plan %1 of %2</source>
        <translation>Plan %1 von %2</translation>
    </message>
    <message>
        <source> · the best that was found in time; none can need less than %1 cables&apos; worth</source>
        <translation> · der beste, der rechtzeitig gefunden wurde; keiner kann weniger als den Gegenwert von %1 Kabeln brauchen</translation>
    </message>
    <message>
        <source> · nothing in this case does it with less</source>
        <translation> · nichts in diesem Gehäuse schafft es mit weniger</translation>
    </message>
    <message>
        <source>%1 %2…%3</source>
        <translation>%1 %2…%3</translation>
    </message>
    <message numerus="yes">
        <source>Found after %n silent run(s). The arc is where every goal still holds; the most sensitive first: %1.</source>
        <translation>
            <numerusform>Gefunden nach %n stillen Lauf. Im Bogen gelten noch alle Ziele; die empfindlichsten zuerst: %1.</numerusform>
            <numerusform>Gefunden nach %n stillen Läufen. Im Bogen gelten noch alle Ziele; die empfindlichsten zuerst: %1.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>Not all goals can be met with these knobs. This is the nearest that %n silent run(s) found.</source>
        <translation>
            <numerusform>Nicht alle Ziele sind mit diesen Reglern zu erreichen. Das ist das Nächste, was %n stiller Lauf fand.</numerusform>
            <numerusform>Nicht alle Ziele sind mit diesen Reglern zu erreichen. Das ist das Nächste, was %n stille Läufe fanden.</numerusform>
        </translation>
    </message>
    <message>
        <source>For your ear: %1.</source>
        <translation>Fürs Ohr: %1.</translation>
    </message>
    <message>
        <source>Other plans (%1)</source>
        <translation>Andere Pläne (%1)</translation>
    </message>
    <message>
        <source>%1 × %2 cm %3</source>
        <translation>%1 × %2 cm %3</translation>
    </message>
    <message numerus="yes">
        <source>%n missing</source>
        <translation>
            <numerusform>%n fehlt</numerusform>
            <numerusform>%n fehlen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n cable(s) to tie</source>
        <translation>
            <numerusform>%n Kabel zu stecken</numerusform>
            <numerusform>%n Kabel zu stecken</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n to take out</source>
        <translation>
            <numerusform>, %n herauszuziehen</numerusform>
            <numerusform>, %n herauszuziehen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>, %n stay</source>
        <translation>
            <numerusform>, %n bleibt</numerusform>
            <numerusform>, %n bleiben</numerusform>
        </translation>
    </message>
    <message>
        <source>stands in: %1</source>
        <translation>springt ein: %1</translation>
    </message>
    <message>
        <source>in use already</source>
        <translation>schon benutzt</translation>
    </message>
    <message>
        <source>free, row %1</source>
        <translation>frei, Reihe %1</translation>
    </message>
    <message>
        <source>, borrowed from %1</source>
        <translation>, geliehen von %1</translation>
    </message>
    <message>
        <source>%1 to %2</source>
        <translation>%1 an %2</translation>
    </message>
    <message>
        <source>behind the panel</source>
        <translation>hinter der Frontplatte</translation>
    </message>
    <message>
        <source>no cable is needed</source>
        <translation>kein Kabel nötig</translation>
    </message>
    <message>
        <source>%1: %2 wanted, %3 in this case</source>
        <translation>%1: %2 gebraucht, %3 in diesem Gehäuse</translation>
    </message>
    <message numerus="yes">
        <source>, %n in use</source>
        <translation>
            <numerusform>, %n benutzt</numerusform>
            <numerusform>, %n benutzt</numerusform>
        </translation>
    </message>
    <message>
        <source>Ways round it, the fewest moves first:</source>
        <translation>Auswege, die wenigsten Handgriffe zuerst:</translation>
    </message>
    <message>
        <source>Nothing in this case gets round it by cables alone:</source>
        <translation>Mit Kabeln allein führt in diesem Gehäuse nichts daran vorbei:</translation>
    </message>
    <message numerus="yes">
        <source>%1 (%n cable(s) move)</source>
        <translation>
            <numerusform>%1 (%n Kabel wandert)</numerusform>
            <numerusform>%1 (%n Kabel wandern)</numerusform>
        </translation>
    </message>
    <message>
        <source>Measuring in a silent run…</source>
        <translation>Messung in einem stillen Lauf…</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keine</translation>
    </message>
    <message>
        <source>holds</source>
        <translation>gilt</translation>
    </message>
    <message>
        <source>off</source>
        <translation>daneben</translation>
    </message>
    <message>
        <source>nothing to measure</source>
        <translation>nichts zu messen</translation>
    </message>
    <message>
        <source>wanted: %1</source>
        <translation>gewünscht: %1</translation>
    </message>
    <message>
        <source>build %1</source>
        <translation>%1 bauen</translation>
    </message>
    <message>
        <source>%1 is in the patch, with its cables in build order. Ctrl+Z takes it out again.</source>
        <translation>%1 ist im Patch, die Kabel in Baureihenfolge. Strg+Z nimmt es wieder heraus.</translation>
    </message>
    <message>
        <source>all of it</source>
        <translation>alles</translation>
    </message>
    <message>
        <source>Keep as a recipe</source>
        <translation>Als Rezept behalten</translation>
    </message>
    <message>
        <source>Which voice</source>
        <translation>Welche Stimme</translation>
    </message>
    <message>
        <source>Its name</source>
        <translation>Sein Name</translation>
    </message>
    <message>
        <source>There is no folder of your own to keep it in.</source>
        <translation>Es gibt keinen eigenen Ordner dafür.</translation>
    </message>
    <message>
        <source>%1 is among the recipes now.</source>
        <translation>%1 gehört jetzt zu den Rezepten.</translation>
    </message>
    <message>
        <source>A moment: it is being planned anew.</source>
        <translation>Einen Augenblick: es wird neu geplant.</translation>
    </message>
    <message>
        <source>Which knobs are to be wished each time? The others stand as they do now.</source>
        <translation>Welche Regler sollen jedes Mal gewünscht werden? Die anderen stehen wie jetzt.</translation>
    </message>
    <message>
        <source>%1, %2: %3</source>
        <translation>%1, %2: %3</translation>
    </message>
</context>
<context>
    <name>lariat::PlotsView</name>
    <message>
        <source>Pictures of the answer</source>
        <translation>Bilder der Antwort</translation>
    </message>
    <message>
        <source>Drag to measure between two places; Left and Right move a cursor, Space takes the other, Esc takes both away</source>
        <translation>Ziehen misst zwischen zwei Stellen; Links und Rechts bewegen einen Zeiger, Leertaste nimmt den anderen, Esc nimmt beide weg</translation>
    </message>
</context>
<context>
    <name>lariat::Preferences</name>
    <message>
        <source>Preferences</source>
        <translation>Einstellungen</translation>
    </message>
    <message>
        <source>As the system</source>
        <translation>Wie das System</translation>
    </message>
    <message>
        <source>Takes effect when Lariat is started again.</source>
        <translation>Gilt ab dem nächsten Start von Lariat.</translation>
    </message>
    <message>
        <source>Light</source>
        <translation>Hell</translation>
    </message>
    <message>
        <source>Dark</source>
        <translation>Dunkel</translation>
    </message>
    <message>
        <source>Look</source>
        <translation>Aussehen</translation>
    </message>
    <message>
        <source>Language</source>
        <translation>Sprache</translation>
    </message>
    <message>
        <source>First one there is</source>
        <translation>Das erste vorhandene</translation>
    </message>
    <message>
        <source>Sound goes to</source>
        <translation>Klang geht an</translation>
    </message>
    <message>
        <source>%1 ms (blocks of %2)</source>
        <translation>%1 ms (Blöcke zu %2)</translation>
    </message>
    <message>
        <source>From an edit to the loudspeaker. If the sound drops out, take more.</source>
        <translation>Von der Änderung bis zum Lautsprecher. Bei Aussetzern mehr nehmen.</translation>
    </message>
    <message>
        <source>Latency</source>
        <translation>Latenz</translation>
    </message>
    <message>
        <source>Dropouts</source>
        <translation>Aussetzer</translation>
    </message>
    <message>
        <source>MIDI comes from</source>
        <translation>MIDI kommt von</translation>
    </message>
    <message>
        <source>Line, phone and instrument inputs can be damaged by eurorack levels: use an output stage. Start with the monitor down, for your ears and your speakers.</source>
        <translation>Line-, Kopfhörer- und Instrumenteneingänge können durch Eurorack-Pegel Schaden nehmen: eine Ausgangsstufe verwenden. Mit leiser Abhöre beginnen, der Ohren und Lautsprecher wegen.</translation>
    </message>
    <message>
        <source>none so far</source>
        <translation>bisher keine</translation>
    </message>
    <message>
        <source>%1: a block was not ready when the device wanted it. Take more latency, or close what else keeps this machine busy.</source>
        <translation>%1: ein Block war nicht fertig, als das Gerät ihn brauchte. Mehr Latenz nehmen oder schließen, was den Rechner sonst beschäftigt.</translation>
    </message>
    <message>
        <source>As the system&apos;s text</source>
        <translation>Wie der Text des Systems</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>Size of everything</source>
        <translation>Größe von allem</translation>
    </message>
    <message>
        <source>Its start, continue and stop start and stop the patch</source>
        <translation>Start, Weiter und Stopp von dort starten und halten den Patch</translation>
    </message>
    <message>
        <source>nowhere</source>
        <translation>nirgendwohin</translation>
    </message>
    <message>
        <source>24 pulses a beat of the patch&apos;s clock, with start, continue and stop</source>
        <translation>24 Pulse je Schlag vom Takt des Patches, mit Start, Weiter und Stopp</translation>
    </message>
    <message>
        <source>MIDI clock goes to</source>
        <translation>MIDI-Takt geht an</translation>
    </message>
    <message>
        <source>Clock</source>
        <translation>Takt</translation>
    </message>
    <message>
        <source>none</source>
        <translation>keiner</translation>
    </message>
    <message>
        <source>%1 BPM, uneven by %2 ms (%3 at worst)</source>
        <translation>%1 BPM, ungleichmäßig um %2 ms (höchstens %3)</translation>
    </message>
    <message>
        <source>in: %1</source>
        <translation>herein: %1</translation>
    </message>
    <message>
        <source>out: %1</source>
        <translation>hinaus: %1</translation>
    </message>
    <message>
        <source>Simulated one hears</source>
        <translation>Das simulierte hört</translation>
    </message>
    <message>
        <source>A sound file that comes in at the simulated interface, again and again, as if it were played there</source>
        <translation>Eine Klangdatei, die am simulierten Gerät hereinkommt, immer wieder, als würde sie dort gespielt</translation>
    </message>
    <message>
        <source>Nothing</source>
        <translation>Nichts</translation>
    </message>
    <message>
        <source>A sound file…</source>
        <translation>Eine Klangdatei…</translation>
    </message>
    <message>
        <source>What the simulated interface hears</source>
        <translation>Was das simulierte Gerät hört</translation>
    </message>
    <message>
        <source>Sound (*.wav *.flac *.aif *.aiff)</source>
        <translation>Klang (*.wav *.flac *.aif *.aiff)</translation>
    </message>
</context>
<context>
    <name>lariat::RecipeList</name>
    <message>
        <source>Find a recipe</source>
        <translation>Rezept suchen</translation>
    </message>
    <message>
        <source>Recipes</source>
        <translation>Rezepte</translation>
    </message>
    <message>
        <source>Looking which recipes fit</source>
        <translation>Es wird geprüft, welche Rezepte passen</translation>
    </message>
    <message>
        <source>fits</source>
        <translation>passt</translation>
    </message>
    <message>
        <source>faulty</source>
        <translation>fehlerhaft</translation>
    </message>
    <message numerus="yes">
        <source>%n short</source>
        <translation>
            <numerusform>%n fehlt</numerusform>
            <numerusform>%n fehlen</numerusform>
        </translation>
    </message>
    <message>
        <source>large</source>
        <translation>groß</translation>
    </message>
    <message>
        <source>Choose it to find out: it takes a while.</source>
        <translation>Auswählen, um es herauszufinden: es dauert etwas.</translation>
    </message>
    <message>
        <source>Or say what you want</source>
        <translation>Oder sage, was du willst</translation>
    </message>
    <message>
        <source>2 vco, filter, 2 vca, contour for both</source>
        <translation>2 vco, filter, 2 vca, contour for both</translation>
    </message>
    <message>
        <source>Parts with commas between them; &quot;for&quot; says for whom, &quot;to&quot; what it moves: lfo slow to pwm</source>
        <translation>Teile mit Kommas dazwischen; „for“ sagt, für wen, „to“, was es bewegt: lfo slow to pwm</translation>
    </message>
</context>
<context>
    <name>lariat::Reckoner</name>
    <message>
        <source>Reckoner</source>
        <translation>Rechner</translation>
    </message>
    <message>
        <source>What is to be reckoned</source>
        <translation>Was zu rechnen ist</translation>
    </message>
    <message>
        <source>Results</source>
        <translation>Ergebnisse</translation>
    </message>
    <message>
        <source>Drag a result onto a knob or a step, or press Enter on it to copy it.</source>
        <translation>Ein Ergebnis auf einen Regler oder Schritt ziehen, oder mit der Eingabetaste kopieren.</translation>
    </message>
    <message>
        <source>A tempo (112 bpm), a time (62 ms), a pitch (d3, 440 hz, 0.35 v), a ratio (3/2), divisions (d4 / 4 5 6), an attenuator (2 v at 38 %; 7 st from 5 v), a level (+4 dbu), or lengths (5 7 16).</source>
        <translation>Ein Tempo (112 bpm), eine Zeit (62 ms), eine Tonhöhe (d3, 440 hz, 0.35 v), ein Verhältnis (3/2), Teilungen (d4 / 4 5 6), ein Abschwächer (2 v at 38 %; 7 st from 5 v), ein Pegel (+4 dbu) oder Längen (5 7 16).</translation>
    </message>
</context>
<context>
    <name>lariat::Recorder</name>
    <message>
        <source>Choose a track or a lane first; what you play goes there.</source>
        <translation>Zuerst eine Tonspur oder Schlagspur wählen; dorthin geht, was gespielt wird.</translation>
    </message>
    <message>
        <source>Nothing steps %1; tie a clock to its clock input first.</source>
        <translation>Nichts schaltet %1 weiter; zuerst einen Takt mit seinem Clock-Eingang verbinden.</translation>
    </message>
    <message>
        <source>write a line</source>
        <translation>eine Spur schreiben</translation>
    </message>
    <message numerus="yes">
        <source>%n note(s) taken; Ctrl+Z takes the whole take back.</source>
        <translation>
            <numerusform>%n Note aufgenommen; Strg+Z nimmt die ganze Aufnahme zurück.</numerusform>
            <numerusform>%n Noten aufgenommen; Strg+Z nimmt die ganze Aufnahme zurück.</numerusform>
        </translation>
    </message>
    <message>
        <source>record a take</source>
        <translation>aufnehmen</translation>
    </message>
</context>
<context>
    <name>lariat::RecordingOptions</name>
    <message>
        <source>Channel of the recording</source>
        <translation>Kanal der Aufnahme</translation>
    </message>
    <message>
        <source>Where the recording begins to be read</source>
        <translation>Ab wo die Aufnahme gelesen wird</translation>
    </message>
    <message>
        <source>Volts of full scale</source>
        <translation>Volt bei Vollaussteuerung</translation>
    </message>
    <message>
        <source>%1 V</source>
        <translation>%1 V</translation>
    </message>
    <message>
        <source>Channel</source>
        <translation>Kanal</translation>
    </message>
    <message>
        <source>Read from</source>
        <translation>Gelesen ab</translation>
    </message>
    <message>
        <source>Full scale is</source>
        <translation>Voll heißt</translation>
    </message>
    <message>
        <source>channel %1</source>
        <translation>Kanal %1</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>all, mixed</source>
        <translation>alle, gemischt</translation>
    </message>
</context>
<context>
    <name>lariat::Recordings</name>
    <message>
        <source>Ask of a recording</source>
        <translation>Eine Aufnahme fragen</translation>
    </message>
    <message>
        <source>Type to choose</source>
        <translation>Tippen zum Wählen</translation>
    </message>
    <message>
        <source>The last one, %1</source>
        <translation>Die letzte, %1</translation>
    </message>
    <message>
        <source>Another file…</source>
        <translation>Eine andere Datei…</translation>
    </message>
    <message>
        <source>Sound (*.wav *.flac *.aif *.aiff)</source>
        <translation>Klang (*.wav *.flac *.aif *.aiff)</translation>
    </message>
    <message>
        <source>Reading %1</source>
        <translation>%1 wird gelesen</translation>
    </message>
    <message>
        <source>Record what comes in</source>
        <translation>Aufnehmen, was hereinkommt</translation>
    </message>
    <message>
        <source>real case.wav</source>
        <translation>echtes Gehäuse.wav</translation>
    </message>
    <message>
        <source>Sound (*.wav *.flac)</source>
        <translation>Klang (*.wav *.flac)</translation>
    </message>
</context>
<context>
    <name>lariat::Rehearsal</name>
    <message>
        <source>Rehearse</source>
        <translation>Proben</translation>
    </message>
    <message>
        <source>no scenes</source>
        <translation>keine Szenen</translation>
    </message>
    <message>
        <source>the end</source>
        <translation>das Ende</translation>
    </message>
    <message>
        <source>%1 · bar %2 of %3</source>
        <translation>%1 · Takt %2 von %3</translation>
    </message>
    <message>
        <source>no move any more</source>
        <translation>keine Bewegung mehr</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>foot</source>
        <translation>Fuß</translation>
    </message>
    <message numerus="yes">
        <source>in %n beat(s)</source>
        <translation>
            <numerusform>in %n Schlag</numerusform>
            <numerusform>in %n Schlägen</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>now, %n beat(s) long</source>
        <translation>
            <numerusform>jetzt, %n Schlag lang</numerusform>
            <numerusform>jetzt, %n Schläge lang</numerusform>
        </translation>
    </message>
    <message>
        <source>Space starts and stops · Escape goes back</source>
        <translation>Leertaste startet und hält an · Escape führt zurück</translation>
    </message>
</context>
<context>
    <name>lariat::RenderDialog</name>
    <message>
        <source>Sound to a file</source>
        <translation>Klang in eine Datei</translation>
    </message>
    <message>
        <source> s from bar 1 on</source>
        <translation> s ab Takt 1</translation>
    </message>
    <message>
        <source>Length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>File</source>
        <translation>Datei</translation>
    </message>
    <message>
        <source>WAV</source>
        <translation>WAV</translation>
    </message>
    <message>
        <source>FLAC, half the size and nothing lost</source>
        <translation>FLAC, halb so groß und ohne Verlust</translation>
    </message>
    <message>
        <source>Rate</source>
        <translation>Abtastrate</translation>
    </message>
    <message>
        <source>%1 kHz</source>
        <translation>%1 kHz</translation>
    </message>
    <message>
        <source>Samples</source>
        <translation>Abtastwerte</translation>
    </message>
    <message>
        <source>32 bits, floating point</source>
        <translation>32 Bit, Gleitkomma</translation>
    </message>
    <message>
        <source>24 bits, with dither</source>
        <translation>24 Bit, mit Dither</translation>
    </message>
    <message>
        <source>16 bits, with dither</source>
        <translation>16 Bit, mit Dither</translation>
    </message>
    <message>
        <source>The knobs follow the scenes</source>
        <translation>Die Knöpfe folgen den Szenen</translation>
    </message>
    <message>
        <source>A file for each voice: no post names a voice</source>
        <translation>Eine Datei je Stimme: kein Posten nennt eine Stimme</translation>
    </message>
    <message>
        <source>A file for each voice as well: %1</source>
        <translation>Auch eine Datei je Stimme: %1</translation>
    </message>
    <message>
        <source>, </source>
        <translation>, </translation>
    </message>
    <message>
        <source>Choose a file…</source>
        <translation>Datei wählen…</translation>
    </message>
</context>
<context>
    <name>lariat::Responder</name>
    <message>
        <source>fit to step</source>
        <translation>an den Schritt anpassen</translation>
    </message>
    <message>
        <source>%1 of %2 to %3</source>
        <translation>%1 von %2 auf %3</translation>
    </message>
    <message>
        <source>fit %1</source>
        <translation>%1 anpassen</translation>
    </message>
    <message>
        <source>responses</source>
        <translation>Auswirkungen</translation>
    </message>
    <message>
        <source>forecast</source>
        <translation>Vorhersage</translation>
    </message>
</context>
<context>
    <name>lariat::ScaleTools</name>
    <message>
        <source>Learn a scale from keys</source>
        <translation>Skala von Tasten lernen</translation>
    </message>
    <message>
        <source>Play its notes, the root first, then press again. They become the quantizer&apos;s own notes.</source>
        <translation>Ihre Töne spielen, den Grundton zuerst, dann noch einmal drücken. Sie werden die eigenen Töne des Quantisierers.</translation>
    </message>
    <message>
        <source>Scales of my own</source>
        <translation>Eigene Skalen</translation>
    </message>
    <message>
        <source>Take one, or keep the present notes under a name</source>
        <translation>Eine nehmen oder die jetzigen Töne unter einem Namen behalten</translation>
    </message>
    <message>
        <source>Keep what was recorded</source>
        <translation>Aufgenommenes behalten</translation>
    </message>
    <message>
        <source>Writes what its sequence has recorded into the patch, as the steps of its slot</source>
        <translation>Schreibt, was seine Folge aufgenommen hat, als Schritte des Platzes in den Patch</translation>
    </message>
    <message>
        <source>Play the notes of the scale, the root first; then press “Learn a scale from keys” again.</source>
        <translation>Die Töne der Skala spielen, den Grundton zuerst; dann noch einmal „Skala von Tasten lernen“ drücken.</translation>
    </message>
    <message>
        <source>Learning: %1</source>
        <translation>Gelernt: %1</translation>
    </message>
    <message>
        <source>learn a scale</source>
        <translation>Skala lernen</translation>
    </message>
    <message>
        <source>take the scale %1</source>
        <translation>Skala %1 nehmen</translation>
    </message>
    <message>
        <source>Keep the present notes…</source>
        <translation>Die jetzigen Töne behalten…</translation>
    </message>
    <message>
        <source>What is this scale to be called?</source>
        <translation>Wie soll diese Skala heißen?</translation>
    </message>
    <message>
        <source>The scale is kept as %1.</source>
        <translation>Die Skala ist als %1 behalten.</translation>
    </message>
    <message>
        <source>It is not heard, so it does not run; tie one of its outputs first.</source>
        <translation>Es ist nicht zu hören und läuft darum nicht; zuerst einen Ausgang stecken.</translation>
    </message>
    <message>
        <source>keep what was recorded</source>
        <translation>Aufgenommenes behalten</translation>
    </message>
    <message numerus="yes">
        <source>%n step(s) are written into slot %1 now.</source>
        <translation>
            <numerusform>%n Schritt steht jetzt in Platz %1.</numerusform>
            <numerusform>%n Schritte stehen jetzt in Platz %1.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::SceneStrip</name>
    <message>
        <source>Scenes and hands</source>
        <translation>Szenen und Hände</translation>
    </message>
    <message>
        <source>left</source>
        <translation>links</translation>
    </message>
    <message>
        <source>right</source>
        <translation>rechts</translation>
    </message>
    <message>
        <source>foot</source>
        <translation>Fuß</translation>
    </message>
    <message>
        <source>Scenes</source>
        <translation>Szenen</translation>
    </message>
    <message numerus="yes">
        <source>%1 · %n bar(s)</source>
        <translation>
            <numerusform>%1 · %n Takt</numerusform>
            <numerusform>%1 · %n Takte</numerusform>
        </translation>
    </message>
    <message>
        <source> × %1</source>
        <translation> × %1</translation>
    </message>
    <message>
        <source>move a scene</source>
        <translation>eine Szene verschieben</translation>
    </message>
    <message>
        <source>take a scene out</source>
        <translation>eine Szene herausnehmen</translation>
    </message>
    <message>
        <source>draw a move</source>
        <translation>Bewegung zeichnen</translation>
    </message>
    <message>
        <source>What does the hand turn?</source>
        <translation>Was dreht die Hand?</translation>
    </message>
    <message>
        <source>Type a part of the knob&apos;s or post&apos;s name</source>
        <translation>Teil des Namens von Knopf oder Posten tippen</translation>
    </message>
    <message>
        <source>It stands at %1 by then. Where does the hand turn it to?</source>
        <translation>Bis dahin steht er auf %1. Wohin dreht ihn die Hand?</translation>
    </message>
    <message>
        <source>“%1” is no setting of %2: it goes from %3 to %4.</source>
        <translation>„%1“ ist keine Stellung von %2: er geht von %3 bis %4.</translation>
    </message>
    <message>
        <source>take a move out</source>
        <translation>Bewegung herausnehmen</translation>
    </message>
</context>
<context>
    <name>lariat::ScenesDialog</name>
    <message>
        <source>Scenes in words</source>
        <translation>Szenen in Worten</translation>
    </message>
    <message>
        <source>“Intro: 8 bars” begins a scene, “x2” plays it twice. Below it a line sets a knob (“filter cutoff 310 Hz”), or moves it: “left: filter cutoff 310 Hz &gt; 1.2 kHz, bar 3 to 7”. Variations, mutes and the tempo are knobs too.</source>
        <translation>„Intro: 8 bars“ beginnt eine Szene, „x2“ spielt sie zweimal. Darunter stellt eine Zeile einen Regler („filter cutoff 310 Hz“) oder bewegt ihn: „left: filter cutoff 310 Hz &gt; 1.2 kHz, bar 3 to 7“. Auch Variationen, Stummschalter und das Tempo sind Regler.</translation>
    </message>
    <message>
        <source>Write</source>
        <translation>Schreiben</translation>
    </message>
    <message>
        <source>… and more</source>
        <translation>… und mehr</translation>
    </message>
    <message>
        <source>Two hands can play this.</source>
        <translation>Zwei Hände können das spielen.</translation>
    </message>
    <message>
        <source>write scenes</source>
        <translation>Szenen schreiben</translation>
    </message>
</context>
<context>
    <name>lariat::SettingsPage</name>
    <message>
        <source>Keep as %1</source>
        <translation>Als %1 festhalten</translation>
    </message>
    <message>
        <source>Go to %1</source>
        <translation>Zu %1 gehen</translation>
    </message>
    <message>
        <source>Between A and B, in per cent</source>
        <translation>Zwischen A und B, in Prozent</translation>
    </message>
    <message>
        <source>keep the knobs as %1</source>
        <translation>Regler als %1 festhalten</translation>
    </message>
    <message>
        <source>Nothing is kept as %1 yet.</source>
        <translation>Noch ist nichts als %1 festgehalten.</translation>
    </message>
    <message>
        <source>go to %1</source>
        <translation>zu %1 gehen</translation>
    </message>
    <message>
        <source>stand between A and B</source>
        <translation>zwischen A und B stehen</translation>
    </message>
    <message>
        <source>%1 %</source>
        <translation>%1 %</translation>
    </message>
    <message>
        <source>… and %1 more</source>
        <translation>… und %1 weitere</translation>
    </message>
    <message>
        <source>Put aside how the patch is as A and as B, see what is different, and go from one to the other. Locked knobs stay. The file keeps the knobs of both; cables and steps are kept while it is open.</source>
        <translation>Den Zustand des Patches als A und als B beiseitelegen, sehen, was anders ist, und vom einen zum anderen gehen. Gesperrte Knöpfe bleiben. Die Datei behält die Knöpfe von beiden; Kabel und Schritte werden behalten, solange sie offen ist.</translation>
    </message>
    <message>
        <source>Go to %1 with cables and steps</source>
        <translation>Zu %1 mit Kabeln und Schritten</translation>
    </message>
    <message>
        <source>Cables and steps as well</source>
        <translation>Auch Kabel und Schritte</translation>
    </message>
    <message>
        <source>Compare with a file…</source>
        <translation>Mit einer Datei vergleichen…</translation>
    </message>
    <message>
        <source>Compare with</source>
        <translation>Vergleichen mit</translation>
    </message>
    <message>
        <source>Patches (*.lariat *.patch.json *.json)</source>
        <translation>Patches (*.lariat *.patch.json *.json)</translation>
    </message>
    <message>
        <source>%1 is how the patch is now.</source>
        <translation>%1 ist, wie der Patch jetzt ist.</translation>
    </message>
    <message>
        <source>go to %1 with cables and steps</source>
        <translation>zu %1 mit Kabeln und Schritten</translation>
    </message>
    <message>
        <source>Nothing is different.</source>
        <translation>Nichts ist anders.</translation>
    </message>
    <message>
        <source>From %1 to this patch:</source>
        <translation>Von %1 zu diesem Patch:</translation>
    </message>
    <message>
        <source>Now change what is to be different, and keep it as the other one.</source>
        <translation>Jetzt ändern, was anders sein soll, und es als das andere behalten.</translation>
    </message>
    <message>
        <source>From A to B:</source>
        <translation>Von A zu B:</translation>
    </message>
    <message>
        <source>%1 and all</source>
        <translation>%1 mit allem</translation>
    </message>
</context>
<context>
    <name>lariat::SheetPlace</name>
    <message>
        <source>Save as PDF…</source>
        <translation>Als PDF speichern…</translation>
    </message>
    <message>
        <source>Patch sheet, page by page</source>
        <translation>Patch-Blatt, Seite für Seite</translation>
    </message>
    <message>
        <source>Patch sheet as &amp;PDF…</source>
        <translation>Patch-Blatt als &amp;PDF…</translation>
    </message>
    <message>
        <source>Patch sheet as &amp;Markdown…</source>
        <translation>Patch-Blatt als &amp;Markdown…</translation>
    </message>
    <message>
        <source>Page %1</source>
        <translation>Seite %1</translation>
    </message>
    <message>
        <source>Save the patch sheet</source>
        <translation>Patch-Blatt speichern</translation>
    </message>
    <message>
        <source>The patch sheet is in %1.</source>
        <translation>Das Patch-Blatt liegt in %1.</translation>
    </message>
    <message>
        <source>The sheet is being worked out…</source>
        <translation>Das Blatt wird gerade ausgerechnet …</translation>
    </message>
    <message>
        <source>The sheet of the other patch was not saved.</source>
        <translation>Das Blatt des anderen Patches wurde nicht gespeichert.</translation>
    </message>
    <message>
        <source>The sheet was not saved: working it out was stopped.</source>
        <translation>Das Blatt wurde nicht gespeichert: das Ausrechnen wurde angehalten.</translation>
    </message>
    <message>
        <source>The sheet is being worked out, and saved as soon as it is.</source>
        <translation>Das Blatt wird gerade ausgerechnet und danach gespeichert.</translation>
    </message>
    <message>
        <source>PDF</source>
        <translation>PDF</translation>
    </message>
    <message>
        <source>HTML, one file…</source>
        <translation>HTML, eine Datei…</translation>
    </message>
    <message>
        <source>SVG…</source>
        <translation>SVG…</translation>
    </message>
    <message>
        <source>Markdown…</source>
        <translation>Markdown…</translation>
    </message>
    <message>
        <source>CSV of the cables…</source>
        <translation>CSV der Kabel…</translation>
    </message>
    <message>
        <source>CSV of the knobs…</source>
        <translation>CSV der Regler…</translation>
    </message>
    <message>
        <source>DOT, for graph programs…</source>
        <translation>DOT, für Graphenprogramme…</translation>
    </message>
    <message>
        <source>Layout</source>
        <translation>Aufmachung</translation>
    </message>
    <message>
        <source>One page</source>
        <translation>Eine Seite</translation>
    </message>
    <message>
        <source>Workbook</source>
        <translation>Arbeitsheft</translation>
    </message>
    <message>
        <source>Archive</source>
        <translation>Archiv</translation>
    </message>
    <message>
        <source>Paper</source>
        <translation>Papier</translation>
    </message>
    <message>
        <source>Upright or across</source>
        <translation>Hoch oder quer</translation>
    </message>
    <message>
        <source>upright</source>
        <translation>hoch</translation>
    </message>
    <message>
        <source>across</source>
        <translation>quer</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>Without it, kinds of signal differ by their marks and lines</source>
        <translation>Ohne sie unterscheiden sich Signalarten durch Zeichen und Linien</translation>
    </message>
    <message>
        <source>Contents</source>
        <translation>Inhalt</translation>
    </message>
    <message>
        <source>Save as</source>
        <translation>Speichern als</translation>
    </message>
    <message>
        <source>Patch sheet as &amp;HTML…</source>
        <translation>Patch-Blatt als &amp;HTML…</translation>
    </message>
</context>
<context>
    <name>lariat::SidePanel</name>
    <message>
        <source>Panel</source>
        <translation>Leiste</translation>
    </message>
    <message>
        <source>What the panel shows</source>
        <translation>Was die Leiste zeigt</translation>
    </message>
    <message>
        <source>Chosen</source>
        <translation>Gewählt</translation>
    </message>
    <message>
        <source>Findings</source>
        <translation>Befunde</translation>
    </message>
    <message>
        <source>A | B</source>
        <translation>A | B</translation>
    </message>
    <message>
        <source>Findings (%1)</source>
        <translation>Befunde (%1)</translation>
    </message>
</context>
<context>
    <name>lariat::Sound</name>
    <message>
        <source>Recording to %1.</source>
        <translation>Aufnahme nach %1.</translation>
    </message>
    <message>
        <source>The recording is in %1.</source>
        <translation>Die Aufnahme liegt in %1.</translation>
    </message>
    <message>
        <source>As the metal has it: splits sag, stages hiss, oscillators drift, picky inputs miss pulses.</source>
        <translation>Wie im Metall: Abzweige geben nach, Stufen rauschen, Oszillatoren driften, heikle Eingänge übersehen Pulse.</translation>
    </message>
    <message>
        <source>Ideal again: nothing sags, hisses or drifts.</source>
        <translation>Wieder ideal: nichts gibt nach, rauscht oder driftet.</translation>
    </message>
    <message>
        <source>%1 has gone away; playing to the simulated interface. Choose a device in the preferences.</source>
        <translation>%1 ist nicht mehr da; gespielt wird an das simulierte Gerät. In den Einstellungen ein Gerät wählen.</translation>
    </message>
    <message>
        <source>Blocks of %1 frames cannot be had; it is %2. Choose the latency in the preferences.</source>
        <translation>Blöcke von %1 Frames gibt es nicht; es sind %2. Die Latenz lässt sich in den Einstellungen wählen.</translation>
    </message>
    <message>
        <source>%1 is not there; playing to %2. Choose a device in the preferences.</source>
        <translation>%1 ist nicht da; der Klang geht zu %2. Ein Gerät lässt sich in den Einstellungen wählen.</translation>
    </message>
    <message>
        <source>The disk takes no more: the recording has ended. What was recorded until then is in %1.</source>
        <translation>Der Datenträger ist voll: Die Aufnahme ist beendet. Was bis dahin aufgenommen wurde, steht in %1.</translation>
    </message>
    <message>
        <source>%1 takes no more MIDI clock; choose a port in the preferences.</source>
        <translation>%1 nimmt keinen MIDI-Takt mehr; in den Einstellungen einen Anschluss wählen.</translation>
    </message>
    <message>
        <source>Recording to %1, its voices to %2.</source>
        <translation>Aufnahme nach %1, ihre Stimmen nach %2.</translation>
    </message>
    <message>
        <source>The recording is in %1, its voices are in %2.</source>
        <translation>Die Aufnahme ist in %1, ihre Stimmen sind in %2.</translation>
    </message>
    <message>
        <source>The voices of the patch before are in %1. The recording itself goes on.</source>
        <translation>Die Stimmen des Patches davor sind in %1. Die Aufnahme selbst geht weiter.</translation>
    </message>
    <message>
        <source>Recording to %1, but not its voices: %2</source>
        <translation>Aufnahme nach %1, aber ohne ihre Stimmen: %2</translation>
    </message>
    <message>
        <source>none of them has a name. Name the voice of the posts first.</source>
        <translation>keine hat einen Namen. Zuerst die Stimme der Pfosten benennen.</translation>
    </message>
    <message>
        <source>the folder %1 cannot be made; choose another name.</source>
        <translation>der Ordner %1 kann nicht angelegt werden; einen anderen Namen wählen.</translation>
    </message>
    <message>
        <source>The disk was too slow: %1 s are missing.</source>
        <translation>Die Platte war zu langsam: %1 s fehlen.</translation>
    </message>
    <message>
        <source>The voices cannot be written any more; what was recorded until then is in %1. The recording itself goes on.</source>
        <translation>Die Stimmen lassen sich nicht mehr schreiben; was bis dahin aufgenommen wurde, ist in %1. Die Aufnahme selbst geht weiter.</translation>
    </message>
    <message>
        <source>Nothing is heard here now: the test stand has the sound device. Go back to the case first.</source>
        <translation>Hier ist jetzt nichts zu hören: der Prüfstand hat das Audiogerät. Geh zuerst zurück zum Case.</translation>
    </message>
    <message>
        <source>Nothing comes in here. Choose a device with an input in the preferences, or a sound file that the simulated interface hears.</source>
        <translation>Hier kommt nichts herein. In den Einstellungen ein Gerät mit Eingang wählen oder eine Klangdatei, die das simulierte Gerät hört.</translation>
    </message>
    <message>
        <source>What comes in is recorded to %1.</source>
        <translation>Was hereinkommt, wird in %1 aufgenommen.</translation>
    </message>
    <message>
        <source>What came in is in %1.</source>
        <translation>Was hereinkam, liegt in %1.</translation>
    </message>
    <message>
        <source>The disk takes no more: what came in until then is in %1.</source>
        <translation>Die Platte nimmt nichts mehr: Was bis dahin hereinkam, liegt in %1.</translation>
    </message>
    <message>
        <source>What came in until then is in %1.</source>
        <translation>Was bis dahin hereinkam, liegt in %1.</translation>
    </message>
</context>
<context>
    <name>lariat::StateTools</name>
    <message>
        <source>Catch this state…</source>
        <translation>Diesen Zustand fangen…</translation>
    </message>
    <message>
        <source>Keeps the eight bits that it holds now, and its knobs, under a name</source>
        <translation>Behält die acht Bits, die es jetzt hält, und seine Regler unter einem Namen</translation>
    </message>
    <message>
        <source>States that were caught</source>
        <translation>Gefangene Zustände</translation>
    </message>
    <message>
        <source>Forget</source>
        <translation>Vergessen</translation>
    </message>
    <message>
        <source>Takes the chosen state out of the patch</source>
        <translation>Nimmt den gewählten Zustand aus dem Patch</translation>
    </message>
    <message>
        <source>Go to a state</source>
        <translation>Zu einem Zustand gehen</translation>
    </message>
    <message>
        <source>Let the patch play first: what it holds then is what is caught.</source>
        <translation>Erst den Patch spielen lassen: gefangen wird, was dann darin steht.</translation>
    </message>
    <message>
        <source>Catch this state</source>
        <translation>Diesen Zustand fangen</translation>
    </message>
    <message>
        <source>What is it called? It holds %1.</source>
        <translation>Wie heißt er? Er hält %1.</translation>
    </message>
    <message>
        <source>catch state %1</source>
        <translation>Zustand %1 fangen</translation>
    </message>
    <message>
        <source>go to state %1</source>
        <translation>zu Zustand %1 gehen</translation>
    </message>
    <message>
        <source>forget state %1</source>
        <translation>Zustand %1 vergessen</translation>
    </message>
</context>
<context>
    <name>lariat::StepBar</name>
    <message>
        <source>One row back</source>
        <translation>Eine Zeile zurück</translation>
    </message>
    <message>
        <source>Next row</source>
        <translation>Nächste Zeile</translation>
    </message>
    <message>
        <source>Whole patch</source>
        <translation>Ganzer Patch</translation>
    </message>
    <message>
        <source>Row %1 of %2: %3 to %4</source>
        <translation>Zeile %1 von %2: %3 nach %4</translation>
    </message>
    <message>
        <source> – you should read %1</source>
        <translation> – zu lesen sein sollte %1</translation>
    </message>
</context>
<context>
    <name>lariat::StepEntry</name>
    <message>
        <source>enter steps</source>
        <translation>Schritte eingeben</translation>
    </message>
    <message>
        <source>accent</source>
        <translation>Betonung</translation>
    </message>
    <message>
        <source>slide</source>
        <translation>Gleiten</translation>
    </message>
</context>
<context>
    <name>lariat::StockPanel</name>
    <message>
        <source>Rails, cables and the chosen module</source>
        <translation>Versorgung, Kabel und das gewählte Modul</translation>
    </message>
    <message>
        <source>Rails</source>
        <translation>Versorgung</translation>
    </message>
    <message>
        <source>Supply…</source>
        <translation>Netzteil…</translation>
    </message>
    <message>
        <source>%1 of %2 mA</source>
        <translation>%1 von %2 mA</translation>
    </message>
    <message>
        <source>At switch-on, reckoned as up to %1 times that: still inside.</source>
        <translation>Beim Einschalten, gerechnet bis zum %1-Fachen: noch innerhalb.</translation>
    </message>
    <message>
        <source>At switch-on it may take up to %1 times that: more than the supply gives.</source>
        <translation>Beim Einschalten kann es bis zum %1-Fachen ziehen: mehr, als das Netzteil gibt.</translation>
    </message>
    <message>
        <source>Switch off before a ribbon is plugged; a reversed one destroys modules. Leave mains work to qualified people and local code.</source>
        <translation>Vor dem Stecken eines Flachbandkabels ausschalten; verkehrt herum zerstört es Module. Arbeiten am Netz gehören Fachleuten, nach den örtlichen Vorschriften.</translation>
    </message>
    <message>
        <source>Cables</source>
        <translation>Kabel</translation>
    </message>
    <message>
        <source>Another kind…</source>
        <translation>Eine andere Sorte…</translation>
    </message>
    <message>
        <source>%1 cm %2</source>
        <translation>%1 cm %2</translation>
    </message>
    <message numerus="yes">
        <source>%n left</source>
        <translation>
            <numerusform>%n übrig</numerusform>
            <numerusform>%n übrig</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n short</source>
        <translation>
            <numerusform>%n fehlt</numerusform>
            <numerusform>%n fehlen</numerusform>
        </translation>
    </message>
    <message>
        <source>How many of %1</source>
        <translation>Wie viele von %1</translation>
    </message>
    <message>
        <source>%1 of %2 in use</source>
        <translation>%1 von %2 benutzt</translation>
    </message>
    <message numerus="yes">
        <source>, %n plug(s) stand on another</source>
        <translation>
            <numerusform>, %n Stecker steht auf einem anderen</numerusform>
            <numerusform>, %n Stecker stehen auf einem anderen</numerusform>
        </translation>
    </message>
    <message>
        <source>Modules</source>
        <translation>Module</translation>
    </message>
    <message>
        <source>Add a module…</source>
        <translation>Modul hinzufügen…</translation>
    </message>
    <message>
        <source>Choose one below: arrow keys go from one to the next, with Shift they move it.</source>
        <translation>Unten eines wählen: Pfeiltasten gehen von einem zum nächsten, mit Umschalt verschieben sie es.</translation>
    </message>
    <message>
        <source>%1 HP · %2 / %3 / %4 mA on +12 / -12 / +5 V</source>
        <translation>%1 TE · %2 / %3 / %4 mA an +12 / -12 / +5 V</translation>
    </message>
    <message>
        <source>%1: in use as %2</source>
        <translation>%1: benutzt als %2</translation>
    </message>
    <message>
        <source>%1: free</source>
        <translation>%1: frei</translation>
    </message>
    <message>
        <source>Borrowed from</source>
        <translation>Geliehen von</translation>
    </message>
    <message>
        <source>nobody: it is mine</source>
        <translation>niemandem: es ist meins</translation>
    </message>
    <message>
        <source>Into a row</source>
        <translation>In eine Reihe</translation>
    </message>
    <message>
        <source>Into the bag</source>
        <translation>In die Tasche</translation>
    </message>
    <message>
        <source>Take out</source>
        <translation>Herausnehmen</translation>
    </message>
    <message>
        <source> – from %1</source>
        <translation> – von %1</translation>
    </message>
    <message>
        <source> – from %1, since %2</source>
        <translation> – von %1, seit %2</translation>
    </message>
    <message>
        <source>Borrowed, to go back</source>
        <translation>Geliehen, zurückzugeben</translation>
    </message>
    <message>
        <source>In the bag</source>
        <translation>In der Tasche</translation>
    </message>
    <message>
        <source>Of them stackable</source>
        <translation>Davon stapelbar</translation>
    </message>
    <message>
        <source>Make one like it…</source>
        <translation>Eines wie dieses bauen…</translation>
    </message>
    <message>
        <source>Make a module…</source>
        <translation>Ein Modul bauen…</translation>
    </message>
    <message>
        <source>Calibrate a knob…</source>
        <translation>Einen Regler eichen…</translation>
    </message>
</context>
<context>
    <name>lariat::StockPlace</name>
    <message>
        <source>The case of this patch</source>
        <translation>Das Gehäuse dieses Patches</translation>
    </message>
    <message>
        <source>What is left, by what it does</source>
        <translation>Was übrig ist, nach dem, was es tut</translation>
    </message>
    <message>
        <source>Where they stand</source>
        <translation>Wo sie stehen</translation>
    </message>
    <message>
        <source>move a module</source>
        <translation>Modul verschieben</translation>
    </message>
    <message>
        <source>It stays: %1 of this patch needs it. Take its post out in the Patch place first.</source>
        <translation>Es bleibt: %1 in diesem Patch braucht es. Zuerst den Posten im Patch herausnehmen.</translation>
    </message>
    <message>
        <source>take a module out</source>
        <translation>Modul herausnehmen</translation>
    </message>
    <message>
        <source>It stays in its row: %1 of this patch needs it.</source>
        <translation>Es bleibt in seiner Reihe: %1 in diesem Patch braucht es.</translation>
    </message>
    <message>
        <source>put a module into the bag</source>
        <translation>Modul in die Tasche legen</translation>
    </message>
    <message numerus="yes">
        <source>No row has %n HP free in one piece.</source>
        <translation>
            <numerusform>Keine Reihe hat %n TE am Stück frei.</numerusform>
            <numerusform>Keine Reihe hat %n TE am Stück frei.</numerusform>
        </translation>
    </message>
    <message>
        <source>put a module into a row</source>
        <translation>Modul in eine Reihe setzen</translation>
    </message>
    <message>
        <source>note whom a module is from</source>
        <translation>notieren, von wem ein Modul ist</translation>
    </message>
    <message>
        <source>count cables</source>
        <translation>Kabel zählen</translation>
    </message>
    <message>
        <source>New case…</source>
        <translation>Neues Gehäuse…</translation>
    </message>
    <message>
        <source>This patch names a case that is not here. Choose one above.</source>
        <translation>Dieser Patch nennt ein Gehäuse, das es hier nicht gibt. Oben eines wählen.</translation>
    </message>
    <message>
        <source>%1: %2 of %3 parts in use by %4, %5 HP free. Full cells are in use, broken ones could stand in.</source>
        <translation>%1: %2 von %3 Teilen benutzt von %4, %5 TE frei. Volle Felder sind benutzt, gestrichelte könnten einspringen.</translation>
    </message>
    <message>
        <source>Another case</source>
        <translation>Ein anderes Gehäuse</translation>
    </message>
    <message>
        <source>Move it without them</source>
        <translation>Ohne sie umziehen</translation>
    </message>
    <message>
        <source>Leave it here</source>
        <translation>Hier lassen</translation>
    </message>
    <message>
        <source>move to %1</source>
        <translation>in %1 umziehen</translation>
    </message>
    <message>
        <source>The patch is in %1 now.</source>
        <translation>Der Patch ist jetzt in %1.</translation>
    </message>
    <message>
        <source>New case</source>
        <translation>Neues Gehäuse</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Rows</source>
        <translation>Reihen</translation>
    </message>
    <message>
        <source>HP a row</source>
        <translation>TE je Reihe</translation>
    </message>
    <message>
        <source>mA on +12 V</source>
        <translation>mA an +12 V</translation>
    </message>
    <message>
        <source>mA on -12 V</source>
        <translation>mA an -12 V</translation>
    </message>
    <message>
        <source>mA on +5 V</source>
        <translation>mA an +5 V</translation>
    </message>
    <message>
        <source>There is a case of that name already.</source>
        <translation>Ein Gehäuse dieses Namens gibt es schon.</translation>
    </message>
    <message>
        <source>make a case</source>
        <translation>Gehäuse anlegen</translation>
    </message>
    <message>
        <source>%1 is there. This patch stays where it is; a new one can be begun in it.</source>
        <translation>%1 ist da. Dieser Patch bleibt, wo er ist; ein neuer kann darin begonnen werden.</translation>
    </message>
    <message>
        <source>Add a module</source>
        <translation>Modul hinzufügen</translation>
    </message>
    <message>
        <source>Name, or what it does</source>
        <translation>Name, oder was es tut</translation>
    </message>
    <message>
        <source>%1 – %2 HP – %3</source>
        <translation>%1 – %2 TE – %3</translation>
    </message>
    <message>
        <source>add a module</source>
        <translation>Modul hinzufügen</translation>
    </message>
    <message>
        <source>%1 has no room in a row: it lies in the bag.</source>
        <translation>Für %1 ist in keiner Reihe Platz: es liegt in der Tasche.</translation>
    </message>
    <message>
        <source>%1 stands in row %2.</source>
        <translation>%1 steht in Reihe %2.</translation>
    </message>
    <message>
        <source>Cables</source>
        <translation>Kabel</translation>
    </message>
    <message>
        <source>Length in cm</source>
        <translation>Länge in cm</translation>
    </message>
    <message>
        <source>Colour</source>
        <translation>Farbe</translation>
    </message>
    <message>
        <source>How many</source>
        <translation>Wie viele</translation>
    </message>
    <message>
        <source>Supply and size</source>
        <translation>Netzteil und Größe</translation>
    </message>
    <message>
        <source>change the supply</source>
        <translation>Netzteil ändern</translation>
    </message>
    <message>
        <source>Show %1 in the Patch place</source>
        <translation>%1 im Patch zeigen</translation>
    </message>
    <message>
        <source>Into the bag</source>
        <translation>In die Tasche</translation>
    </message>
    <message>
        <source>Take out</source>
        <translation>Herausnehmen</translation>
    </message>
    <message>
        <source>Join another case to this one…</source>
        <translation>Ein weiteres Case mit diesem verbinden…</translation>
    </message>
    <message>
        <source>There is no other case to join.</source>
        <translation>Es gibt kein weiteres Case zum Verbinden.</translation>
    </message>
    <message>
        <source>Join cases</source>
        <translation>Cases verbinden</translation>
    </message>
    <message>
        <source>Which case stands with %1?</source>
        <translation>Welches Case steht bei %1?</translation>
    </message>
    <message>
        <source>What are both together called?</source>
        <translation>Wie heißen beide zusammen?</translation>
    </message>
    <message>
        <source>%1 and %2</source>
        <translation>%1 und %2</translation>
    </message>
    <message>
        <source>join cases</source>
        <translation>Cases verbinden</translation>
    </message>
    <message>
        <source>one from a file…</source>
        <translation>eines aus einer Datei…</translation>
    </message>
    <message>
        <source>Make a module like</source>
        <translation>Ein Modul bauen wie</translation>
    </message>
    <message>
        <source>none: from a first block on</source>
        <translation>keines: von einem ersten Block an</translation>
    </message>
    <message>
        <source>A module from a file</source>
        <translation>Ein Modul aus einer Datei</translation>
    </message>
    <message>
        <source>Modules and their lines (*.json *.txt)</source>
        <translation>Module und ihre Zeilen (*.json *.txt)</translation>
    </message>
    <message>
        <source>%1, %2</source>
        <translation>%1, %2</translation>
    </message>
    <message>
        <source>%1 has no knob that can be read.</source>
        <translation>%1 hat keinen Regler, der sich ablesen lässt.</translation>
    </message>
    <message>
        <source>&amp;Make a module…</source>
        <translation>Ein Modul &amp;bauen…</translation>
    </message>
    <message>
        <source>Looking for what can stand in for %1…</source>
        <translation>Suche, was für %1 einspringen kann …</translation>
    </message>
    <message>
        <source>Looking for stand-ins</source>
        <translation>Suche nach Ersatz</translation>
    </message>
    <message>
        <source>The patch was changed meanwhile: choose the case once more.</source>
        <translation>Der Patch wurde inzwischen geändert: das Gehäuse noch einmal wählen.</translation>
    </message>
    <message>
        <source>%1 of %2 parts have a place in %3.</source>
        <translation>%1 von %2 Teilen haben einen Platz in %3.</translation>
    </message>
    <message>
        <source>%1 can be played by %2.</source>
        <translation>%1 kann von %2 gespielt werden.</translation>
    </message>
    <message>
        <source>%1 can be played by %2: %3.</source>
        <translation>%1 kann von %2 gespielt werden: %3.</translation>
    </message>
    <message>
        <source>What is heard would be %1 dB apart from here.</source>
        <translation>Was zu hören ist, läge %1 dB von hier entfernt.</translation>
    </message>
    <message>
        <source>Nothing there for: %1. %2 cables would lose an end.</source>
        <translation>Nichts dort für: %1. %2 Kabel verlören ein Ende.</translation>
    </message>
    <message>
        <source>Move it with these</source>
        <translation>Mit diesen umziehen</translation>
    </message>
    <message>
        <source>The patch stays in %1.</source>
        <translation>Der Patch bleibt in %1.</translation>
    </message>
</context>
<context>
    <name>lariat::TakeList</name>
    <message>
        <source>yesterday %1</source>
        <translation>gestern %1</translation>
    </message>
    <message>
        <source>Takes, newest first</source>
        <translation>Takes, neueste zuerst</translation>
    </message>
</context>
<context>
    <name>lariat::TakeModel</name>
    <message>
        <source>Now</source>
        <translation>Jetzt</translation>
    </message>
    <message>
        <source>%1 · %2</source>
        <translation>%1 · %2</translation>
    </message>
    <message>
        <source>here</source>
        <translation>hier</translation>
    </message>
</context>
<context>
    <name>lariat::TieLine</name>
    <message>
        <source>tie: osc a saw to filter in 1</source>
        <translation>verbinden: osc a saw to filter in 1</translation>
    </message>
    <message>
        <source>Tie line</source>
        <translation>Verbindungszeile</translation>
    </message>
    <message>
        <source>Write which output goes to which input, then press Enter (Ctrl+T). Several sentences can be pasted at once.</source>
        <translation>Schreiben, welcher Ausgang in welchen Eingang geht, dann Eingabe (Strg+T). Mehrere Sätze lassen sich auf einmal einfügen.</translation>
    </message>
    <message>
        <source>tie %1 cables</source>
        <translation>%1 Kabel verbinden</translation>
    </message>
    <message>
        <source>Tied %1 cables.</source>
        <translation>%1 Kabel verbunden.</translation>
    </message>
    <message>
        <source>write down knobs and names</source>
        <translation>Regler und Namen aufschreiben</translation>
    </message>
    <message>
        <source>tie a cable</source>
        <translation>ein Kabel verbinden</translation>
    </message>
    <message>
        <source>Took %1.</source>
        <translation>Genommen: %1.</translation>
    </message>
    <message>
        <source>Tied %1 to %2.</source>
        <translation>%1 mit %2 verbunden.</translation>
    </message>
    <message numerus="yes">
        <source>%n knob(s), names and notes set.</source>
        <translation>
            <numerusform>%n Regler, Name oder Notiz gesetzt.</numerusform>
            <numerusform>%n Regler, Namen und Notizen gesetzt.</numerusform>
        </translation>
    </message>
</context>
<context>
    <name>lariat::TimeChart</name>
    <message>
        <source>Steps and what they cause</source>
        <translation>Schritte und was sie bewirken</translation>
    </message>
    <message>
        <source>lane %1</source>
        <translation>Schlagspur %1</translation>
    </message>
    <message>
        <source>track %1</source>
        <translation>Tonspur %1</translation>
    </message>
    <message>
        <source>, step %1: %2</source>
        <translation>, Schritt %1: %2</translation>
    </message>
    <message>
        <source>rest</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>accented hit</source>
        <translation>betonter Schlag</translation>
    </message>
    <message>
        <source>hit</source>
        <translation>Schlag</translation>
    </message>
    <message>
        <source>write lane %1</source>
        <translation>Schlagspur %1 anlegen</translation>
    </message>
    <message>
        <source>write track %1</source>
        <translation>Tonspur %1 anlegen</translation>
    </message>
    <message>
        <source>write a note</source>
        <translation>eine Note schreiben</translation>
    </message>
    <message>
        <source>paint hits</source>
        <translation>Schläge malen</translation>
    </message>
    <message>
        <source>draw volts</source>
        <translation>Spannungen zeichnen</translation>
    </message>
    <message>
        <source>change the gate</source>
        <translation>Gate ändern</translation>
    </message>
    <message>
        <source>move notes</source>
        <translation>Noten verschieben</translation>
    </message>
    <message>
        <source>“%1” is no note for a step; drop one such as D3 onto a step of a track.</source>
        <translation>„%1“ ist keine Note für einen Schritt; eine wie D3 auf einen Schritt einer Tonspur ziehen.</translation>
    </message>
    <message>
        <source>Press a letter to show a variation and let it play, with Ctrl to show it only. One that is not written yet begins as a copy of what is shown.</source>
        <translation>Ein Buchstabe zeigt und spielt eine Variation, mit Strg zeigt er sie nur. Eine noch nicht geschriebene beginnt als Kopie der gezeigten.</translation>
    </message>
    <message>
        <source>Step %1: </source>
        <translation>Schritt %1: </translation>
    </message>
    <message>
        <source>gate %1 ms, %2 V when it closes</source>
        <translation>Gate %1 ms, beim Schließen %2 V</translation>
    </message>
    <message>
        <source>, sustain reached</source>
        <translation>, Sustain erreicht</translation>
    </message>
    <message>
        <source>, %1 ms too short for sustain</source>
        <translation>, %1 ms zu kurz für Sustain</translation>
    </message>
    <message>
        <source>, the tail is %1 ms too long</source>
        <translation>, der Ausklang ist %1 ms zu lang</translation>
    </message>
    <message>
        <source>, the tail ends in time</source>
        <translation>, der Ausklang endet rechtzeitig</translation>
    </message>
    <message>
        <source>Step %1: rest</source>
        <translation>Schritt %1: Pause</translation>
    </message>
    <message>
        <source>Step %1: tie</source>
        <translation>Schritt %1: gehalten</translation>
    </message>
    <message>
        <source>Step %1: %2, %3 V, gate %4 %, velocity %5</source>
        <translation>Schritt %1: %2, %3 V, Gate %4 %, Anschlag %5</translation>
    </message>
    <message>
        <source>, outside the key %1</source>
        <translation>, außerhalb der Tonart %1</translation>
    </message>
    <message>
        <source>Nothing in this patch goes through steps. Take a sequencer from the case in the Patch place (Ctrl+E), tie a clock to it, and write its steps here.</source>
        <translation>Nichts in diesem Patch läuft durch Schritte. Im Ort Patch einen Sequenzer aus dem Gehäuse nehmen (Strg+E), einen Takt mit ihm verbinden und hier seine Schritte schreiben.</translation>
    </message>
    <message>
        <source>one pulse %1 ms = %2 Hz</source>
        <translation>ein Puls %1 ms = %2 Hz</translation>
    </message>
    <message>
        <source> · begins anew after %1 pulses</source>
        <translation> · beginnt nach %1 Pulsen neu</translation>
    </message>
    <message>
        <source> · all lines begin together after %1 pulses, %2 bars of 16</source>
        <translation> · alle Spuren beginnen nach %1 Pulsen gemeinsam, %2 Takten zu 16</translation>
    </message>
    <message>
        <source> · %1 of them were run</source>
        <translation> · %1 davon wurden gerechnet</translation>
    </message>
    <message>
        <source>page %1 of %2</source>
        <translation>Seite %1 von %2</translation>
    </message>
    <message>
        <source>leads nowhere yet</source>
        <translation>führt noch nirgendwohin</translation>
    </message>
    <message>
        <source>to %1</source>
        <translation>nach %1</translation>
    </message>
    <message numerus="yes">
        <source>%n step(s)</source>
        <translation>
            <numerusform>%n Schritt</numerusform>
            <numerusform>%n Schritte</numerusform>
        </translation>
    </message>
    <message>
        <source> of %1 pulses</source>
        <translation> zu %1 Pulsen</translation>
    </message>
    <message>
        <source> · triplets</source>
        <translation> · Triolen</translation>
    </message>
    <message>
        <source> · swing %1 %</source>
        <translation> · Swing %1 %</translation>
    </message>
    <message>
        <source>No notes yet. Press here to write one, or choose this line and type: d3 - f3 = …</source>
        <translation>Noch keine Noten. Hier drücken, um eine zu schreiben, oder diese Spur wählen und tippen: d3 - f3 = …</translation>
    </message>
    <message>
        <source>No hits yet. Press where one should come.</source>
        <translation>Noch keine Schläge. Drücken, wo einer kommen soll.</translation>
    </message>
    <message>
        <source>Clocks</source>
        <translation>Takte</translation>
    </message>
    <message>
        <source>everything that counts is reset</source>
        <translation>alles, was zählt, wird zurückgesetzt</translation>
    </message>
    <message>
        <source>not reset: %1</source>
        <translation>nicht zurückgesetzt: %1</translation>
    </message>
    <message>
        <source>not played: %1 is off</source>
        <translation>nicht gespielt: %1 ist aus</translation>
    </message>
    <message>
        <source>make a step longer</source>
        <translation>Schritt verlängern</translation>
    </message>
    <message>
        <source>Step %1: %2 V come, %3 V leave, %4; moved by %5 ct</source>
        <translation>Schritt %1: %2 V kommen, %3 V gehen, %4; verschoben um %5 ct</translation>
    </message>
    <message>
        <source>not known</source>
        <translation>nicht bekannt</translation>
    </message>
</context>
<context>
    <name>lariat::TimePanel</name>
    <message>
        <source>Choose a track or a lane to change how it runs and what its steps are.</source>
        <translation>Eine Tonspur oder Schlagspur wählen, um ihren Lauf und ihre Schritte zu ändern.</translation>
    </message>
    <message>
        <source>Line</source>
        <translation>Spur</translation>
    </message>
    <message>
        <source>Name</source>
        <translation>Name</translation>
    </message>
    <message>
        <source>Steps</source>
        <translation>Schritte</translation>
    </message>
    <message>
        <source>Pulses</source>
        <translation>Pulse</translation>
    </message>
    <message>
        <source>Direction</source>
        <translation>Richtung</translation>
    </message>
    <message>
        <source>forward</source>
        <translation>vorwärts</translation>
    </message>
    <message>
        <source>backward</source>
        <translation>rückwärts</translation>
    </message>
    <message>
        <source>to and fro</source>
        <translation>hin und her</translation>
    </message>
    <message>
        <source>random</source>
        <translation>zufällig</translation>
    </message>
    <message>
        <source>Swing</source>
        <translation>Swing</translation>
    </message>
    <message>
        <source>Lock</source>
        <translation>Bund</translation>
    </message>
    <message>
        <source>alone</source>
        <translation>allein</translation>
    </message>
    <message>
        <source>Lines with the same lock change variation together, when the first of them starts over.</source>
        <translation>Spuren im selben Bund wechseln die Variation gemeinsam, wenn die erste von ihnen neu beginnt.</translation>
    </message>
    <message>
        <source>Clock pulses that a step lasts</source>
        <translation>Taktpulse, die ein Schritt dauert</translation>
    </message>
    <message>
        <source>Triplets</source>
        <translation>Triolen</translation>
    </message>
    <message>
        <source>Three steps in the time of two</source>
        <translation>Drei Schritte in der Zeit von zweien</translation>
    </message>
    <message>
        <source>name a line</source>
        <translation>eine Spur benennen</translation>
    </message>
    <message>
        <source>change the division</source>
        <translation>Teilung ändern</translation>
    </message>
    <message>
        <source>change the direction</source>
        <translation>Richtung ändern</translation>
    </message>
    <message>
        <source>change the swing</source>
        <translation>Swing ändern</translation>
    </message>
    <message>
        <source>change the lock</source>
        <translation>Bund ändern</translation>
    </message>
    <message>
        <source>triplets</source>
        <translation>Triolen</translation>
    </message>
    <message>
        <source>Fill</source>
        <translation>Füllung</translation>
    </message>
    <message>
        <source>Hits</source>
        <translation>Schläge</translation>
    </message>
    <message>
        <source>Turned by</source>
        <translation>Gedreht um</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Note</translation>
    </message>
    <message>
        <source>A note such as D3, - for a rest, = for a tie</source>
        <translation>Eine Note wie D3, - für eine Pause, = für Halten</translation>
    </message>
    <message>
        <source>Gate</source>
        <translation>Gate</translation>
    </message>
    <message>
        <source>Open part of the step; at 100 % it slurs into the next note</source>
        <translation>Offener Teil des Schritts; bei 100 % bindet er an die nächste Note</translation>
    </message>
    <message>
        <source>Velocity</source>
        <translation>Anschlag</translation>
    </message>
    <message>
        <source>Chance</source>
        <translation>Chance</translation>
    </message>
    <message>
        <source>Strikes</source>
        <translation>Anzahl</translation>
    </message>
    <message>
        <source>Late by</source>
        <translation>Später um</translation>
    </message>
    <message>
        <source>CV</source>
        <translation>CV</translation>
    </message>
    <message>
        <source>Accent</source>
        <translation>Betont</translation>
    </message>
    <message>
        <source>Slide</source>
        <translation>Gleiten</translation>
    </message>
    <message>
        <source>tie</source>
        <translation>halten</translation>
    </message>
    <message>
        <source>write a note</source>
        <translation>eine Note schreiben</translation>
    </message>
    <message>
        <source>“%1” is no note. Write D3, B♭3 or F#2, - for a rest, = for a tie.</source>
        <translation>„%1“ ist keine Note. D3, B♭3 oder F#2 schreiben, - für eine Pause, = für Halten.</translation>
    </message>
    <message>
        <source>change the gate</source>
        <translation>Gate ändern</translation>
    </message>
    <message>
        <source>change the velocity</source>
        <translation>Anschlag ändern</translation>
    </message>
    <message>
        <source>change the chance</source>
        <translation>Chance ändern</translation>
    </message>
    <message>
        <source>change the strikes</source>
        <translation>Anzahl ändern</translation>
    </message>
    <message>
        <source>play late</source>
        <translation>später spielen</translation>
    </message>
    <message>
        <source>change the CV</source>
        <translation>CV ändern</translation>
    </message>
    <message>
        <source>accent</source>
        <translation>Betonung</translation>
    </message>
    <message>
        <source>slide</source>
        <translation>Gleiten</translation>
    </message>
    <message>
        <source>Fit to step</source>
        <translation>An den Schritt anpassen</translation>
    </message>
    <message>
        <source>Contour</source>
        <translation>Hüllkurve</translation>
    </message>
    <message>
        <source>Just reach sustain</source>
        <translation>Sustain gerade erreichen</translation>
    </message>
    <message>
        <source>The longest decay with which the chosen notes, or all, reach sustain at this tempo</source>
        <translation>Das längste Decay, mit dem die gewählten Noten, oder alle, bei diesem Tempo Sustain erreichen</translation>
    </message>
    <message>
        <source>Just end before the next note</source>
        <translation>Gerade vor der nächsten Note enden</translation>
    </message>
    <message>
        <source>The longest tail that ends before the next note comes, at this tempo</source>
        <translation>Der längste Ausklang, der bei diesem Tempo vor der nächsten Note endet</translation>
    </message>
    <message>
        <source>What if the tempo changes?</source>
        <translation>Und bei anderem Tempo?</translation>
    </message>
    <message>
        <source>All steps</source>
        <translation>Alle Schritte</translation>
    </message>
    <message>
        <source>Step %1</source>
        <translation>Schritt %1</translation>
    </message>
    <message>
        <source>%1 steps</source>
        <translation>%1 Schritte</translation>
    </message>
    <message>
        <source>It is being worked out for 40 to 240 BPM.</source>
        <translation>Es wird für 40 bis 240 BPM berechnet.</translation>
    </message>
</context>
<context>
    <name>lariat::TimePlace</name>
    <message>
        <source>The line in words</source>
        <translation>Die Spur in Worten</translation>
    </message>
    <message>
        <source>d3 d3 - f3~ = c4!,0.25</source>
        <translation>d3 d3 - f3~ = c4!,0.25</translation>
    </message>
    <message>
        <source>Steps with spaces between: d3 a note, - a rest, = a tie, ! accented, ~ slides; with commas behind it 0.4 the gate, v80 velocity, p50 chance, x3 strikes, c2.5 volts, +25 late; *4 four times. A lane: x, X accented, . a rest. Enter writes it.</source>
        <translation>Schritte mit Leerzeichen dazwischen: d3 eine Note, - eine Pause, = halten, ! betont, ~ gleitet; mit Kommas dahinter 0.4 das Gate, v80 Anschlag, p50 Chance, x3 Anzahl, c2.5 Volt, +25 später; *4 viermal. Eine Schlagspur: x, X betont, . eine Pause. Die Eingabetaste schreibt es.</translation>
    </message>
    <message>
        <source>Letters are notes of octave %1 now.</source>
        <translation>Buchstaben sind nun Noten der Oktave %1.</translation>
    </message>
    <message>
        <source>%1: done. Ctrl+Z takes it back.</source>
        <translation>%1: erledigt. Strg+Z nimmt es zurück.</translation>
    </message>
    <message>
        <source>Not written: %1.</source>
        <translation>Nicht geschrieben: %1.</translation>
    </message>
    <message>
        <source>lane %1</source>
        <translation>Schlagspur %1</translation>
    </message>
    <message>
        <source>track %1</source>
        <translation>Tonspur %1</translation>
    </message>
    <message>
        <source>no line</source>
        <translation>keine Spur</translation>
    </message>
    <message>
        <source>&amp;Copy steps</source>
        <translation>Schritte &amp;kopieren</translation>
    </message>
    <message>
        <source>&amp;Paste steps</source>
        <translation>Schritte &amp;einfügen</translation>
    </message>
    <message>
        <source>&amp;Duplicate steps</source>
        <translation>Schritte &amp;verdoppeln</translation>
    </message>
    <message>
        <source>Re&amp;verse steps</source>
        <translation>Schritte &amp;umkehren</translation>
    </message>
    <message>
        <source>Shift steps to the &amp;left</source>
        <translation>Schritte nach &amp;links schieben</translation>
    </message>
    <message>
        <source>Shift steps to the &amp;right</source>
        <translation>Schritte nach &amp;rechts schieben</translation>
    </message>
    <message>
        <source>An octave &amp;up</source>
        <translation>Eine Oktave &amp;höher</translation>
    </message>
    <message>
        <source>An octave do&amp;wn</source>
        <translation>Eine Oktave &amp;tiefer</translation>
    </message>
    <message>
        <source>&amp;Thin out: every other note</source>
        <translation>&amp;Ausdünnen: jede zweite Note</translation>
    </message>
    <message>
        <source>Hu&amp;manize velocities and gates</source>
        <translation>Anschlag und Gates vermens&amp;chlichen</translation>
    </message>
    <message>
        <source>Start a&amp;fresh: clear the line</source>
        <translation>Von vorn &amp;beginnen: Spur leeren</translation>
    </message>
    <message>
        <source>Step &amp;entry</source>
        <translation>Schritte&amp;ingabe</translation>
    </message>
    <message>
        <source>Rec&amp;ord into this line</source>
        <translation>In diese Spur aufneh&amp;men</translation>
    </message>
    <message>
        <source>Write the line in &amp;words</source>
        <translation>Spur in &amp;Worten schreiben</translation>
    </message>
    <message>
        <source>Fit: just reach &amp;sustain</source>
        <translation>Anpassen: &amp;Sustain gerade erreichen</translation>
    </message>
    <message>
        <source>Fit: just end before the &amp;next note</source>
        <translation>Anpassen: gerade vor der &amp;nächsten Note enden</translation>
    </message>
    <message>
        <source>&amp;Wider steps</source>
        <translation>&amp;Breitere Schritte</translation>
    </message>
    <message>
        <source>&amp;Narrower steps</source>
        <translation>&amp;Schmalere Schritte</translation>
    </message>
    <message>
        <source>&amp;Page before</source>
        <translation>Seite &amp;davor</translation>
    </message>
    <message>
        <source>Ne&amp;xt page</source>
        <translation>Nä&amp;chste Seite</translation>
    </message>
    <message>
        <source>Show the chosen ro&amp;w&apos;s signal here, or no longer</source>
        <translation>Signal der gewählten Zei&amp;le hier zeigen, oder nicht mehr</translation>
    </message>
    <message>
        <source>&amp;Keep as a scene…</source>
        <translation>Als S&amp;zene festhalten …</translation>
    </message>
    <message>
        <source>Keep as a scene</source>
        <translation>Als Szene festhalten</translation>
    </message>
    <message>
        <source>How the knobs stand now is kept as a scene. Its name, and how many bars it lasts:</source>
        <translation>Die jetzige Stellung der Regler wird als Szene festgehalten. Ihr Name, und wie viele Takte sie dauert:</translation>
    </message>
    <message>
        <source>Scene %1, 4 bars</source>
        <translation>Szene %1, 4 Takte</translation>
    </message>
    <message>
        <source>Write the scenes in wor&amp;ds…</source>
        <translation>Szenen in W&amp;orten schreiben …</translation>
    </message>
    <message>
        <source>Record &amp;moves of knobs</source>
        <translation>Bewe&amp;gungen der Regler aufnehmen</translation>
    </message>
    <message>
        <source>&amp;Rehearse: the next move, large</source>
        <translation>&amp;Proben: die nächste Bewegung, groß</translation>
    </message>
    <message>
        <source>Play the &amp;scenes</source>
        <translation>&amp;Szenen spielen</translation>
    </message>
    <message>
        <source>Scene %1</source>
        <translation>Szene %1</translation>
    </message>
    <message>
        <source>keep a scene</source>
        <translation>eine Szene festhalten</translation>
    </message>
    <message>
        <source>There are no scenes to rehearse; keep one first (Ctrl+Alt+K).</source>
        <translation>Es gibt keine Szenen zum Proben; zuerst eine festhalten (Strg+Alt+K).</translation>
    </message>
    <message>
        <source>Choose a row in the Patch place first; then come here and pin its signal.</source>
        <translation>Zuerst im Ort Patch eine Zeile wählen; dann hierherkommen und ihr Signal anheften.</translation>
    </message>
    <message>
        <source>accent</source>
        <translation>Betonung</translation>
    </message>
    <message>
        <source>slide</source>
        <translation>Gleiten</translation>
    </message>
    <message>
        <source>Accent, or none</source>
        <translation>Betont, oder nicht</translation>
    </message>
    <message>
        <source>Slide, or none</source>
        <translation>Gleiten, oder nicht</translation>
    </message>
    <message>
        <source>Tie</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>tie</source>
        <translation>halten</translation>
    </message>
    <message>
        <source>Rest</source>
        <translation>Pause</translation>
    </message>
    <message>
        <source>Keep scene</source>
        <translation>Szene merken</translation>
    </message>
    <message>
        <source>Play scenes</source>
        <translation>Szenen spielen</translation>
    </message>
    <message>
        <source>Moves</source>
        <translation>Bewegungen</translation>
    </message>
    <message>
        <source>Rehearse</source>
        <translation>Proben</translation>
    </message>
    <message>
        <source>Take the line from a M&amp;IDI file…</source>
        <translation>Spur aus einer M&amp;IDI-Datei nehmen …</translation>
    </message>
    <message>
        <source>Save the line as a MIDI &amp;file…</source>
        <translation>Spur als MIDI-&amp;Datei speichern …</translation>
    </message>
    <message>
        <source>Choose a track or a lane first; what the file holds goes there.</source>
        <translation>Zuerst eine Tonspur oder Schlagspur wählen; dorthin geht, was die Datei enthält.</translation>
    </message>
    <message>
        <source>Take the line from a MIDI file</source>
        <translation>Spur aus einer MIDI-Datei nehmen</translation>
    </message>
    <message>
        <source>MIDI files (*.mid *.midi)</source>
        <translation>MIDI-Dateien (*.mid *.midi)</translation>
    </message>
    <message>
        <source>take %1</source>
        <translation>%1 nehmen</translation>
    </message>
    <message numerus="yes">
        <source>%n step(s) from %1.</source>
        <translation>
            <numerusform>%n Schritt aus %1.</numerusform>
            <numerusform>%n Schritte aus %1.</numerusform>
        </translation>
    </message>
    <message numerus="yes">
        <source>%n note(s) had no step of their own and were left out.</source>
        <translation>
            <numerusform>%n Note hatte keinen eigenen Schritt und entfiel.</numerusform>
            <numerusform>%n Noten hatten keinen eigenen Schritt und entfielen.</numerusform>
        </translation>
    </message>
    <message>
        <source>Choose a line with steps first; that is what the file will hold.</source>
        <translation>Zuerst eine Spur mit Schritten wählen; sie kommt in die Datei.</translation>
    </message>
    <message>
        <source>Save the line as a MIDI file</source>
        <translation>Spur als MIDI-Datei speichern</translation>
    </message>
    <message>
        <source>The line is in %1.</source>
        <translation>Die Spur ist in %1.</translation>
    </message>
    <message>
        <source>Chain variations as scenes…</source>
        <translation>Variationen als Szenen aneinanderreihen…</translation>
    </message>
    <message>
        <source>Choose a line of the sequencer first whose variations are to be chained.</source>
        <translation>Zuerst eine Zeile des Sequenzers wählen, dessen Variationen aneinandergereiht werden sollen.</translation>
    </message>
    <message>
        <source>Chain variations</source>
        <translation>Variationen aneinanderreihen</translation>
    </message>
    <message>
        <source>Variations of %1 in their order. A figure is bars, four without one; x2 plays it twice.</source>
        <translation>Variationen von %1 in ihrer Reihenfolge. Eine Zahl sind Takte, ohne Zahl vier; x2 spielt sie zweimal.</translation>
    </message>
    <message>
        <source>chain variations</source>
        <translation>Variationen aneinanderreihen</translation>
    </message>
    <message>
        <source>&amp;Nobody knows these steps</source>
        <translation>Diese Schritte kennt &amp;niemand</translation>
    </message>
    <message>
        <source>nobody knows a step</source>
        <translation>niemand kennt einen Schritt</translation>
    </message>
    <message>
        <source>Choose steps of a track or lane first.</source>
        <translation>Zuerst Schritte einer Spur wählen.</translation>
    </message>
</context>
<context>
    <name>lariat::TransportBar</name>
    <message>
        <source>Start or stop</source>
        <translation>Start oder Stopp</translation>
    </message>
    <message>
        <source>Start or stop the clock (Space)</source>
        <translation>Takt starten oder anhalten (Leertaste)</translation>
    </message>
    <message>
        <source>Bar and beat</source>
        <translation>Takt und Schlag</translation>
    </message>
    <message>
        <source>Tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>out L</source>
        <translation>aus L</translation>
    </message>
    <message>
        <source>out R</source>
        <translation>aus R</translation>
    </message>
    <message>
        <source>Monitor level in dB</source>
        <translation>Abhörpegel in dB</translation>
    </message>
    <message>
        <source>How loud the monitor is. Start low: resonance, feedback and sync can jump 20 dB in a step.</source>
        <translation>Wie laut die Abhöre ist. Leise beginnen: Resonanz, Rückkopplung und Sync können in einem Schritt um 20 dB springen.</translation>
    </message>
    <message>
        <source>Monitor level</source>
        <translation>Abhörpegel</translation>
    </message>
    <message>
        <source>Load</source>
        <translation>Last</translation>
    </message>
    <message>
        <source>no clock</source>
        <translation>kein Takt</translation>
    </message>
    <message>
        <source>monitor off</source>
        <translation>Abhöre aus</translation>
    </message>
    <message>
        <source>monitor %1 dB</source>
        <translation>Abhöre %1 dB</translation>
    </message>
    <message>
        <source>real case · </source>
        <translation>echtes Gehäuse · </translation>
    </message>
    <message>
        <source>load %1 %</source>
        <translation>Last %1 %</translation>
    </message>
    <message>
        <source>muted: DC</source>
        <translation>stumm: Gleichspannung</translation>
    </message>
    <message>
        <source>A voltage that stands still heats loudspeakers. Take it out of what goes to the way out, then move the monitor to hear it.</source>
        <translation>Eine Spannung, die still steht, heizt Lautsprecher. Aus dem herausnehmen, was zum Ausgang führt, dann die Abhöre bewegen, um es zu hören.</translation>
    </message>
    <message>
        <source>held down: a jump</source>
        <translation>niedergehalten: ein Sprung</translation>
    </message>
    <message>
        <source>The sound became more than 20 dB louder at once and is held down to that. Move the monitor to let it go.</source>
        <translation>Der Klang wurde auf einmal mehr als 20 dB lauter und wird darauf niedergehalten. Die Abhöre bewegen, um ihn loszulassen.</translation>
    </message>
    <message>
        <source>muted: runs away</source>
        <translation>stumm: läuft davon</translation>
    </message>
    <message>
        <source>The sound stayed at the rails for half a second: a loop gain above one. Mend the patch, or move the monitor to hear it.</source>
        <translation>Der Klang blieb eine halbe Sekunde an der Versorgungsgrenze: Schleifenverstärkung über eins. Den Patch in Ordnung bringen, oder die Abhöre bewegen, um ihn zu hören.</translation>
    </message>
    <message>
        <source>monitor limited</source>
        <translation>Abhöre begrenzt</translation>
    </message>
    <message>
        <source>%1, %2 dropouts</source>
        <translation>%1, %2 Aussetzer</translation>
    </message>
    <message>
        <source>Work in the background</source>
        <translation>Arbeit im Hintergrund</translation>
    </message>
    <message>
        <source>What is worked out in the background; press to stop it</source>
        <translation>Was im Hintergrund berechnet wird; zum Anhalten drücken</translation>
    </message>
    <message>
        <source>%1 %2 %</source>
        <translation>%1 %2 %</translation>
    </message>
    <message>
        <source> (and %1 more)</source>
        <translation> (und %1 weitere)</translation>
    </message>
    <message>
        <source>Stop %1</source>
        <translation>%1 anhalten</translation>
    </message>
    <message>
        <source>Recording</source>
        <translation>Aufnahme</translation>
    </message>
    <message>
        <source>What is heard is being recorded; press to end it</source>
        <translation>Was zu hören ist, wird aufgenommen; drücken, um sie zu beenden</translation>
    </message>
</context>
<context>
    <name>lariat::UnknownActions</name>
    <message>
        <source>A cable with an &amp;open end…</source>
        <translation>Ein Kabel mit &amp;offenem Ende …</translation>
    </message>
    <message>
        <source>Ta&amp;ke an open end out…</source>
        <translation>Ein offenes Ende herausneh&amp;men …</translation>
    </message>
    <message>
        <source>A part that nobod&amp;y knows…</source>
        <translation>Ein &amp;Teil, das niemand kennt …</translation>
    </message>
    <message>
        <source>It was t&amp;his part of the case…</source>
        <translation>Es &amp;war dieses Teil des Gehäuses …</translation>
    </message>
    <message>
        <source>As&amp;k for the knob that tells most</source>
        <translation>Nach dem aussagestärksten &amp;Regler fragen</translation>
    </message>
    <message>
        <source>Nothing is unknown here. A knob&apos;s menu says that nobody knows where it stands.</source>
        <translation>Hier ist nichts unbekannt. Das Menü eines Reglers sagt, dass niemand weiß, wo er steht.</translation>
    </message>
    <message>
        <source>Asking which knob tells most</source>
        <translation>Frage, welcher Regler am meisten sagt</translation>
    </message>
    <message>
        <source>Look at %1 of %2 first: its ends are %3 dB apart in what is heard.</source>
        <translation>Zuerst nach %1 von %2 sehen: Seine Enden liegen im Klang %3 dB auseinander.</translation>
    </message>
    <message>
        <source>There is no part in use yet whose cable could be open.</source>
        <translation>Noch ist kein Teil benutzt, dessen Kabel offen sein könnte.</translation>
    </message>
    <message>
        <source>The end that is known</source>
        <translation>Das bekannte Ende</translation>
    </message>
    <message>
        <source>Type part of a jack&apos;s name</source>
        <translation>Teil eines Buchsennamens eingeben</translation>
    </message>
    <message>
        <source>%1 to nobody knows where</source>
        <translation>%1 wer weiß wohin</translation>
    </message>
    <message>
        <source>%1 from nobody knows where</source>
        <translation>%1 wer weiß woher</translation>
    </message>
    <message>
        <source>A cable with an open end</source>
        <translation>Ein Kabel mit offenem Ende</translation>
    </message>
    <message>
        <source>What is written down of its other end? It may stay empty.</source>
        <translation>Was ist vom anderen Ende aufgeschrieben? Es darf leer bleiben.</translation>
    </message>
    <message>
        <source>note an open end</source>
        <translation>offenes Ende notieren</translation>
    </message>
    <message>
        <source>No cable has an open end here.</source>
        <translation>Hier hat kein Kabel ein offenes Ende.</translation>
    </message>
    <message>
        <source>take an open end out</source>
        <translation>offenes Ende herausnehmen</translation>
    </message>
    <message>
        <source>Take an open end out</source>
        <translation>Ein offenes Ende herausnehmen</translation>
    </message>
    <message>
        <source>Type to choose</source>
        <translation>Zum Wählen tippen</translation>
    </message>
    <message>
        <source>A part that nobody knows</source>
        <translation>Ein Teil, das niemand kennt</translation>
    </message>
    <message>
        <source>What is it called?</source>
        <translation>Wie heißt es?</translation>
    </message>
    <message>
        <source>grey box</source>
        <translation>graue Kiste</translation>
    </message>
    <message>
        <source>It needs a name, if only “grey box”.</source>
        <translation>Es braucht einen Namen, und sei es „graue Kiste“.</translation>
    </message>
    <message>
        <source>add %1</source>
        <translation>%1 hinzufügen</translation>
    </message>
    <message>
        <source>Choose a part that nobody knows first.</source>
        <translation>Zuerst ein Teil wählen, das niemand kennt.</translation>
    </message>
    <message>
        <source>%1 was …</source>
        <translation>%1 war …</translation>
    </message>
    <message>
        <source>Type part of a module&apos;s or part&apos;s name</source>
        <translation>Teil eines Modul- oder Teilnamens eingeben</translation>
    </message>
    <message>
        <source>  (row %1)</source>
        <translation>  (Reihe %1)</translation>
    </message>
    <message>
        <source>know a part</source>
        <translation>ein Teil kennen</translation>
    </message>
</context>
<context>
    <name>modules</name>
    <message>
        <source>A single oscillator</source>
        <translation>Ein einzelner Oszillator</translation>
    </message>
    <message>
        <source>From one volt per octave to hertz per volt</source>
        <translation>Von einem Volt pro Oktave zu Hertz pro Volt</translation>
    </message>
    <message>
        <source>Two amplifiers</source>
        <translation>Zwei Verstärker</translation>
    </message>
    <message>
        <source>Fewer bits, fewer samples</source>
        <translation>Weniger Bits, weniger Samples</translation>
    </message>
    <message>
        <source>Tempo, its divisions and a reset pulse</source>
        <translation>Tempo, seine Teilungen und ein Reset-Puls</translation>
    </message>
    <message>
        <source>Two attenuverters with offset</source>
        <translation>Zwei Attenuverter mit Offset</translation>
    </message>
    <message>
        <source>One band with side-chain</source>
        <translation>Ein Band mit Sidechain</translation>
    </message>
    <message>
        <source>Every multiple and division of a tempo; follows clocks and taps</source>
        <translation>Jedes Vielfache und jede Teilung eines Tempos; folgt Takten und Tippen</translation>
    </message>
    <message>
        <source>Three bands compressed apart</source>
        <translation>Drei Bänder, getrennt komprimiert</translation>
    </message>
    <message>
        <source>Six stereo channels with sends and an insert on the bus</source>
        <translation>Sechs Stereokanäle mit Sends und einem Insert im Bus</translation>
    </message>
    <message>
        <source>Eight band-passes that ring</source>
        <translation>Acht Bandpässe, die nachklingen</translation>
    </message>
    <message>
        <source>Eight divisions of a clock, up to audio rate</source>
        <translation>Acht Teilungen eines Takts, bis in Tonfrequenz</translation>
    </message>
    <message>
        <source>Four attenuverters with offset</source>
        <translation>Vier Attenuverter mit Offset</translation>
    </message>
    <message>
        <source>A drum voice behind one trigger</source>
        <translation>Eine Trommelstimme hinter einem Trigger</translation>
    </message>
    <message>
        <source>Plate-like and spring-like space</source>
        <translation>Raum nach Art von Platte und Feder</translation>
    </message>
    <message>
        <source>Six squares that agree on nothing</source>
        <translation>Sechs Rechtecke, die sich in nichts einig sind</translation>
    </message>
    <message>
        <source>Two channels to a scale, with a sequence of its own</source>
        <translation>Zwei Kanäle auf eine Skala, mit eigener Sequenz</translation>
    </message>
    <message>
        <source>Two four-quadrant multipliers</source>
        <translation>Zwei Vierquadranten-Multiplizierer</translation>
    </message>
    <message>
        <source>A whole lead voice in one box: leader, follower, filter, amplifier, two contours and a slow wave</source>
        <translation>Eine ganze Lead-Stimme in einer Kiste: Führer, Folger, Filter, Verstärker, zwei Hüllkurven und eine langsame Welle</translation>
    </message>
    <message>
        <source>A whole voice: oscillator, filter, amplifier, contour, LFO, wired behind the panel</source>
        <translation>Eine ganze Stimme: Oszillator, Filter, Verstärker, Hüllkurve, LFO, hinter der Platte verdrahtet</translation>
    </message>
    <message>
        <source>Two lags</source>
        <translation>Zwei Verschleifer</translation>
    </message>
    <message>
        <source>Two sample and holds</source>
        <translation>Zweimal Abtasten und Halten</translation>
    </message>
    <message>
        <source>A slow oscillator at eight places of its circle</source>
        <translation>Ein langsamer Oszillator an acht Stellen seines Kreises</translation>
    </message>
    <message>
        <source>Stepped and smooth chance</source>
        <translation>Zufall in Stufen und fließend</translation>
    </message>
    <message>
        <source>Stereo delay, clocked, frozen</source>
        <translation>Stereo-Delay, getaktet, eingefroren</translation>
    </message>
    <message>
        <source>An oscillator of the hertz-per-volt school</source>
        <translation>Ein Oszillator der Hertz-pro-Volt-Schule</translation>
    </message>
    <message>
        <source>Line level into the case, with follower and gate</source>
        <translation>Linepegel ins Gehäuse, mit Hüllkurvenfolger und Gate</translation>
    </message>
    <message>
        <source>Four inputs into one</source>
        <translation>Vier Eingänge in einen</translation>
    </message>
    <message>
        <source>A ringing filter behind an opto-coupler: its notes glide down</source>
        <translation>Ein nachklingendes Filter hinter einem Optokoppler: seine Töne gleiten hinab</translation>
    </message>
    <message>
        <source>Line-level way out; right copies left until it is used</source>
        <translation>Ausgang mit Linepegel; rechts wiederholt links, bis er benutzt wird</translation>
    </message>
    <message>
        <source>Four poles in a row</source>
        <translation>Vier Pole hintereinander</translation>
    </message>
    <message>
        <source>From one signal to another</source>
        <translation>Von einem Signal zum anderen</translation>
    </message>
    <message>
        <source>Two oscillators side by side, made for sync</source>
        <translation>Zwei Oszillatoren nebeneinander, für Sync gemacht</translation>
    </message>
    <message>
        <source>Half and full waves, minimum and maximum</source>
        <translation>Halbe und volle Wellen, Minimum und Maximum</translation>
    </message>
    <message>
        <source>Two contours; the second takes the first one&apos;s gate until it gets its own</source>
        <translation>Zwei Hüllkurven; die zweite nimmt das Gate der ersten, bis sie ein eigenes bekommt</translation>
    </message>
    <message>
        <source>Exact sums for pitch</source>
        <translation>Genaue Summen für Tonhöhen</translation>
    </message>
    <message>
        <source>Four tracks of notes and eight lanes of triggers in eight variations</source>
        <translation>Vier Spuren mit Noten und acht mit Triggern in acht Variationen</translation>
    </message>
    <message>
        <source>What a voltage does, as gates</source>
        <translation>Was eine Spannung tut, als Gates</translation>
    </message>
    <message>
        <source>Melody to rhythm: two voltages watched, with two release envelopes</source>
        <translation>Aus Melodie wird Rhythmus: zwei Spannungen beobachtet, mit zwei Ausklingkurven</translation>
    </message>
    <message>
        <source>Two low-pass gates</source>
        <translation>Zwei Low-Pass-Gates</translation>
    </message>
    <message>
        <source>Four in, four out, any amount anywhere</source>
        <translation>Vier hinein, vier hinaus, jeder Anteil überallhin</translation>
    </message>
    <message>
        <source>Says what was recorded, at any pitch</source>
        <translation>Sagt, was aufgenommen wurde, in jeder Tonhöhe</translation>
    </message>
    <message>
        <source>Four jacks joined, no power</source>
        <translation>Vier verbundene Buchsen, ohne Strom</translation>
    </message>
    <message>
        <source>The pitch of a sound as a voltage</source>
        <translation>Die Tonhöhe eines Klangs als Spannung</translation>
    </message>
    <message>
        <source>Gates from gates</source>
        <translation>Gates aus Gates</translation>
    </message>
    <message>
        <source>Four to one, one to four, four to four</source>
        <translation>Vier auf eins, eins auf vier, vier auf vier</translation>
    </message>
    <message>
        <source>Two measuring points</source>
        <translation>Zwei Messpunkte</translation>
    </message>
    <message>
        <source>Four amplifiers that fall through into one another</source>
        <translation>Vier Verstärker, die ineinander durchfallen</translation>
    </message>
    <message>
        <source>Euclidean and random triggers</source>
        <translation>Euklidische und zufällige Trigger</translation>
    </message>
    <message>
        <source>Sixteen faders, one step per clock</source>
        <translation>Sechzehn Schieberegler, ein Schritt pro Takt</translation>
    </message>
    <message>
        <source>Folds waves</source>
        <translation>Faltet Wellen</translation>
    </message>
    <message>
        <source>A small LFO from 0 to 10 V</source>
        <translation>Ein kleiner LFO von 0 bis 10 V</translation>
    </message>
    <message>
        <source>Eight bits in a row</source>
        <translation>Acht Bits hintereinander</translation>
    </message>
    <message>
        <source>Two panners</source>
        <translation>Zwei Panoramen</translation>
    </message>
    <message>
        <source>One envelope with every stage in the open</source>
        <translation>Eine Hüllkurve, bei der jede Phase offen liegt</translation>
    </message>
    <message>
        <source>Soft, hard and lopsided overdrive</source>
        <translation>Weiche, harte und einseitige Übersteuerung</translation>
    </message>
    <message>
        <source>A small keyboard: mono, two notes, four voices</source>
        <translation>Eine kleine Tastatur: einstimmig, zwei Töne, vier Stimmen</translation>
    </message>
    <message>
        <source>State-variable filter; input 2 copies input 1 until it is used</source>
        <translation>Zustandsvariables Filter; Eingang 2 wiederholt Eingang 1, bis er benutzt wird</translation>
    </message>
    <message>
        <source>Short pieces of the last four seconds</source>
        <translation>Kurze Stücke der letzten vier Sekunden</translation>
    </message>
    <message>
        <source>One signal in four copies</source>
        <translation>Ein Signal in vier Kopien</translation>
    </message>
    <message>
        <source>Five colours of noise</source>
        <translation>Fünf Farben des Rauschens</translation>
    </message>
    <message>
        <source>From mono to wide</source>
        <translation>Von mono zu breit</translation>
    </message>
    <message>
        <source>A picky trigger input and a gate for it, to try the real case on</source>
        <translation>Ein wählerischer Triggereingang und ein Gate dafür, um das wirkliche Gehäuse zu erproben</translation>
    </message>
    <message>
        <source>Takes out what does not move</source>
        <translation>Nimmt heraus, was sich nicht bewegt</translation>
    </message>
    <message>
        <source>Slow oscillator</source>
        <translation>Langsamer Oszillator</translation>
    </message>
    <message>
        <source>MIDI in twelve modes and one of your own; units can be linked</source>
        <translation>MIDI in zwölf Betriebsarten und einer eigenen; Einheiten lassen sich verketten</translation>
    </message>
    <message>
        <source>One attenuverter with offset</source>
        <translation>Ein Attenuverter mit Offset</translation>
    </message>
    <message>
        <source>Three oscillators locked by whole-number ratios</source>
        <translation>Drei Oszillatoren, durch ganzzahlige Verhältnisse verkoppelt</translation>
    </message>
    <message>
        <source>Low, middle, high</source>
        <translation>Tief, mittel, hoch</translation>
    </message>
    <message>
        <source>Rise and fall with four related outputs</source>
        <translation>Steigen und Fallen mit vier verwandten Ausgängen</translation>
    </message>
    <message>
        <source>A joystick that can keep a gesture</source>
        <translation>Ein Joystick, der eine Geste behalten kann</translation>
    </message>
    <message>
        <source>A stereo amplifier</source>
        <translation>Ein Stereoverstärker</translation>
    </message>
    <message>
        <source>Two tracks of notes and four lanes of triggers</source>
        <translation>Zwei Spuren mit Noten und vier mit Triggern</translation>
    </message>
    <message>
        <source>Chaos: two oscillators, a register and a filter that feed one another</source>
        <translation>Chaos: zwei Oszillatoren, ein Register und ein Filter, die einander speisen</translation>
    </message>
    <message>
        <source>Two to sixteen pulses for each one</source>
        <translation>Zwei bis sechzehn Pulse für jeden einen</translation>
    </message>
    <message>
        <source>Stands for a part of which nobody knows what it is; what comes in leaves at every output</source>
        <translation>Steht für ein Teil, von dem niemand weiß, was es ist; was hineingeht, kommt an jedem Ausgang heraus</translation>
    </message>
</context>
<context>
    <name>recipes</name>
    <message>
        <source>Bass</source>
        <translation>Bass</translation>
    </message>
    <message>
        <source>Voices</source>
        <translation>Stimmen</translation>
    </message>
    <message>
        <source>One saw, filter and VCA under one contour.</source>
        <translation>Ein Sägezahn, Filter und VCA unter einer Hüllkurve.</translation>
    </message>
    <message>
        <source>root</source>
        <translation>Grundton</translation>
    </message>
    <message>
        <source>brightness</source>
        <translation>Helligkeit</translation>
    </message>
    <message>
        <source>tempo</source>
        <translation>Tempo</translation>
    </message>
    <message>
        <source>sounds, inside the rails</source>
        <translation>klingt, innerhalb der Versorgung</translation>
    </message>
    <message>
        <source>resonance, by what the tune wants</source>
        <translation>Resonanz, wie die Melodie es will</translation>
    </message>
    <message>
        <source>Bouncing ball</source>
        <translation>Springender Ball</translation>
    </message>
    <message>
        <source>Drums</source>
        <translation>Schlagwerk</translation>
    </message>
    <message>
        <source>Two contours that strike each other faster and faster: a ball that comes to rest.</source>
        <translation>Zwei Hüllkurven, die einander immer schneller anstoßen: ein Ball, der zur Ruhe kommt.</translation>
    </message>
    <message>
        <source>Bus with bands, equalizer and width</source>
        <translation>Bus mit Bändern, Equalizer und Breite</translation>
    </message>
    <message>
        <source>Buses</source>
        <translation>Busse</translation>
    </message>
    <message>
        <source>Four voices into one bus: compressed in three bands, equalized, and wide above.</source>
        <translation>Vier Stimmen in einen Bus: in drei Bändern komprimiert, entzerrt und oben breit.</translation>
    </message>
    <message>
        <source>Self-playing chaos</source>
        <translation>Chaos, das sich selbst spielt</translation>
    </message>
    <message>
        <source>Textures</source>
        <translation>Texturen</translation>
    </message>
    <message>
        <source>Two oscillators modulate each other; one is sampled into a register that the other clocks, and its bits come back to both.</source>
        <translation>Zwei Oszillatoren modulieren einander; einer wird in ein Register abgetastet, das der andere taktet, und dessen Bits kehren zu beiden zurück.</translation>
    </message>
    <message>
        <source>waiting for something one likes, then locking it</source>
        <translation>warten, bis etwas gefällt, und es dann festhalten</translation>
    </message>
    <message>
        <source>Levels can jump: begin with the monitor down.</source>
        <translation>Pegel können springen: mit leiser Abhöre beginnen.</translation>
    </message>
    <message>
        <source>Pluck, drooping twice</source>
        <translation>Zupfen, zweifach abfallend</translation>
    </message>
    <message>
        <source>An exponential contour into an exponential VCA: the product of both is short and percussive; the same contour into the linear input brings body.</source>
        <translation>Eine exponentielle Hüllkurve in einen exponentiellen VCA: das Produkt ist kurz und perkussiv; dieselbe Hüllkurve in den linearen Eingang bringt Körper.</translation>
    </message>
    <message>
        <source>Double strike</source>
        <translation>Doppelschlag</translation>
    </message>
    <message>
        <source>Two hits from one trigger: a contour that attacks again in the middle of its fall.</source>
        <translation>Zwei Schläge aus einem Trigger: eine Hüllkurve, die mitten im Fall noch einmal ansetzt.</translation>
    </message>
    <message>
        <source>Drums and lead into one bus</source>
        <translation>Schlagwerk und Lead in einen Bus</translation>
    </message>
    <message>
        <source>Kick and lead through drive and compressor; the kick makes room for itself.</source>
        <translation>Kick und Lead durch Verzerrer und Kompressor; die Kick schafft sich Platz.</translation>
    </message>
    <message>
        <source>Ducked bass and bouncing ball</source>
        <translation>Geduckter Bass und springender Ball</translation>
    </message>
    <message>
        <source>A bass that an inverted contour ducks at every bounce.</source>
        <translation>Ein Bass, den eine umgekehrte Hüllkurve bei jedem Sprung duckt.</translation>
    </message>
    <message>
        <source>First voice</source>
        <translation>Erste Stimme</translation>
    </message>
    <message>
        <source>Keys, oscillator, filter, VCA, one contour for filter and level, an LFO.</source>
        <translation>Tasten, Oszillator, Filter, VCA, eine Hüllkurve für Filter und Pegel, ein LFO.</translation>
    </message>
    <message>
        <source>Chord from four related outputs</source>
        <translation>Akkord aus vier verwandten Ausgängen</translation>
    </message>
    <message>
        <source>One function generator, fast and in the ratios of a chord; its four outputs are mixed, and the DC goes.</source>
        <translation>Ein Funktionsgenerator, schnell und in den Verhältnissen eines Akkords; seine vier Ausgänge werden gemischt, der Gleichanteil geht.</translation>
    </message>
    <message>
        <source>lowest note</source>
        <translation>tiefster Ton</translation>
    </message>
    <message>
        <source>which chord</source>
        <translation>welcher Akkord</translation>
    </message>
    <message>
        <source>Four-note keys</source>
        <translation>Vierstimmige Tasten</translation>
    </message>
    <message>
        <source>Four notes over MIDI, each with oscillator, contour and VCA of its own; a second converter takes what overflows.</source>
        <translation>Vier Noten über MIDI, jede mit eigenem Oszillator, Hüllkurve und VCA; ein zweiter Wandler nimmt, was überläuft.</translation>
    </message>
    <message>
        <source>Four related outputs</source>
        <translation>Vier verwandte Ausgänge</translation>
    </message>
    <message>
        <source>One function generator, four outputs in one ratio: a chord when it is fast.</source>
        <translation>Ein Funktionsgenerator, vier Ausgänge in einem Verhältnis: schnell ein Akkord.</translation>
    </message>
    <message>
        <source>Glow</source>
        <translation>Glimmen</translation>
    </message>
    <message>
        <source>A filter whose cutoff is slewed by a lamp: pitch glides.</source>
        <translation>Ein Filter, dessen Grenzfrequenz eine Lampe verschleift: die Tonhöhe gleitet.</translation>
    </message>
    <message>
        <source>Hat, metal</source>
        <translation>Hi-Hat, Metall</translation>
    </message>
    <message>
        <source>A cluster of squares under a short contour.</source>
        <translation>Ein Bündel Rechtecke unter einer kurzen Hüllkurve.</translation>
    </message>
    <message>
        <source>length</source>
        <translation>Länge</translation>
    </message>
    <message>
        <source>60 dB down</source>
        <translation>60 dB leiser</translation>
    </message>
    <message>
        <source>the colour: which noise, which wave</source>
        <translation>die Farbe: welches Rauschen, welche Welle</translation>
    </message>
    <message>
        <source>Hat, noise</source>
        <translation>Hi-Hat, Rauschen</translation>
    </message>
    <message>
        <source>Noise under a short contour.</source>
        <translation>Rauschen unter einer kurzen Hüllkurve.</translation>
    </message>
    <message>
        <source>Hat, panned by its contour</source>
        <translation>Hi-Hat, von ihrer Hüllkurve bewegt</translation>
    </message>
    <message>
        <source>The same contour that opens the hat moves it across: its inverted side pans.</source>
        <translation>Dieselbe Hüllkurve, die sie öffnet, bewegt sie durchs Bild: ihre umgekehrte Seite schwenkt.</translation>
    </message>
    <message>
        <source>how wide</source>
        <translation>wie breit</translation>
    </message>
    <message>
        <source>Kick, FM pair</source>
        <translation>Kick, FM-Paar</translation>
    </message>
    <message>
        <source>Two oscillators, one bending the other exponentially under a contour.</source>
        <translation>Zwei Oszillatoren, einer biegt den anderen exponentiell unter einer Hüllkurve.</translation>
    </message>
    <message>
        <source>the depth of the bend</source>
        <translation>die Tiefe der Biegung</translation>
    </message>
    <message>
        <source>Kick, several waves</source>
        <translation>Kick, mehrere Wellen</translation>
    </message>
    <message>
        <source>Waves of one oscillator through VCAs of their own, all under one contour, summed: tone by mixing instead of filtering.</source>
        <translation>Wellen eines Oszillators durch eigene VCAs, alle unter einer Hüllkurve, summiert: Klangfarbe durch Mischen statt Filtern.</translation>
    </message>
    <message>
        <source>note of the tail</source>
        <translation>Ton des Ausklangs</translation>
    </message>
    <message>
        <source>waves</source>
        <translation>Wellen</translation>
    </message>
    <message>
        <source>sine and triangle</source>
        <translation>Sinus und Dreieck</translation>
    </message>
    <message>
        <source>sine and pulse</source>
        <translation>Sinus und Puls</translation>
    </message>
    <message>
        <source>tail on its note</source>
        <translation>Ausklang auf seinem Ton</translation>
    </message>
    <message>
        <source>how much grit</source>
        <translation>wie viel Rauheit</translation>
    </message>
    <message>
        <source>Kick, struck filter</source>
        <translation>Kick, angeschlagenes Filter</translation>
    </message>
    <message>
        <source>A filter near the edge of singing, struck by a short contour: what rings is the drum.</source>
        <translation>Ein Filter kurz vor dem Singen, von einer kurzen Hüllkurve angeschlagen: was nachklingt, ist die Trommel.</translation>
    </message>
    <message>
        <source>note</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>rings on its note</source>
        <translation>klingt auf seinem Ton</translation>
    </message>
    <message>
        <source>how long it rings: resonance</source>
        <translation>wie lange es klingt: Resonanz</translation>
    </message>
    <message>
        <source>A filter near the edge of singing can jump by 20 dB: begin with the monitor down.</source>
        <translation>Ein Filter kurz vor dem Singen kann um 20 dB springen: mit leiser Abhöre beginnen.</translation>
    </message>
    <message>
        <source>Kick, two contours</source>
        <translation>Kick, zwei Hüllkurven</translation>
    </message>
    <message>
        <source>An oscillator whose pitch falls under one contour and whose level falls under another; one trigger strikes both, and the wave as well.</source>
        <translation>Ein Oszillator, dessen Tonhöhe unter einer und dessen Pegel unter einer anderen Hüllkurve fällt; ein Trigger stößt beide an, und die Welle auch.</translation>
    </message>
    <message>
        <source>bend</source>
        <translation>Biegung</translation>
    </message>
    <message>
        <source>the wave</source>
        <translation>die Welle</translation>
    </message>
    <message>
        <source>Begun anew, every hit is the same; left alive, no two are.</source>
        <translation>Neu begonnen ist jeder Schlag gleich; lebt sie weiter, sind keine zwei gleich.</translation>
    </message>
    <message>
        <source>begins anew</source>
        <translation>beginnt neu</translation>
    </message>
    <message>
        <source>goes on</source>
        <translation>läuft weiter</translation>
    </message>
    <message>
        <source>hits alike</source>
        <translation>Schläge gleich</translation>
    </message>
    <message>
        <source>the curve of the bend</source>
        <translation>der Verlauf der Biegung</translation>
    </message>
    <message>
        <source>how hard it clicks</source>
        <translation>wie hart es klickt</translation>
    </message>
    <message>
        <source>Lead, one contour</source>
        <translation>Lead, eine Hüllkurve</translation>
    </message>
    <message>
        <source>The shortest way to a lead: a contour for filter and level.</source>
        <translation>Der kürzeste Weg zu einem Lead: eine Hüllkurve für Filter und Pegel.</translation>
    </message>
    <message>
        <source>Looping contour as the hub</source>
        <translation>Kreisende Hüllkurve als Mittelpunkt</translation>
    </message>
    <message>
        <source>A contour that loops is the clock of everything: its stages strike drums and step a row.</source>
        <translation>Eine kreisende Hüllkurve ist der Takt von allem: ihre Phasen stoßen Trommeln an und schalten eine Reihe weiter.</translation>
    </message>
    <message>
        <source>Pluck, low-pass gate</source>
        <translation>Zupfen, Low-Pass-Gate</translation>
    </message>
    <message>
        <source>A gate of light closes filter and level at once.</source>
        <translation>Ein Tor aus Licht schließt Filter und Pegel zugleich.</translation>
    </message>
    <message>
        <source>Melody to rhythm</source>
        <translation>Aus Melodie wird Rhythmus</translation>
    </message>
    <message>
        <source>A tune whose rising, falling and jumping notes drive drums and contours.</source>
        <translation>Eine Melodie, deren steigende, fallende und springende Töne Trommeln und Hüllkurven antreiben.</translation>
    </message>
    <message>
        <source>Tune from a quantizer</source>
        <translation>Melodie aus einem Quantisierer</translation>
    </message>
    <message>
        <source>Random voltages brought to a scale, and a trigger with each new note.</source>
        <translation>Zufällige Spannungen auf einer Skala, und ein Trigger mit jedem neuen Ton.</translation>
    </message>
    <message>
        <source>Ratio trio</source>
        <translation>Trio in Verhältnissen</translation>
    </message>
    <message>
        <source>Three oscillators in whole ratios, one phase-modulating the next.</source>
        <translation>Drei Oszillatoren in ganzen Verhältnissen, einer moduliert die Phase des nächsten.</translation>
    </message>
    <message>
        <source>Rattle, recorded</source>
        <translation>Rassel, aufgenommen</translation>
    </message>
    <message>
        <source>A recording, struck.</source>
        <translation>Eine Aufnahme, angestoßen.</translation>
    </message>
    <message>
        <source>Bass, ducked by the kick</source>
        <translation>Bass, von der Kick geduckt</translation>
    </message>
    <message>
        <source>Each hit of the kick pulls the bass down: an inverted contour on the bass VCA, with an offset that keeps it open.</source>
        <translation>Jeder Schlag der Kick zieht den Bass herunter: eine umgekehrte Hüllkurve am VCA des Basses, den ein Offset offen hält.</translation>
    </message>
    <message>
        <source>ducking</source>
        <translation>Ducken</translation>
    </message>
    <message>
        <source>how fast it comes back</source>
        <translation>wie schnell er zurückkommt</translation>
    </message>
    <message>
        <source>Drone under a quantizer</source>
        <translation>Bordun unter einem Quantisierer</translation>
    </message>
    <message>
        <source>A slow wave brought to the notes of a scale.</source>
        <translation>Eine langsame Welle auf den Tönen einer Skala.</translation>
    </message>
    <message>
        <source>Snare, fluttering noise</source>
        <translation>Snare, flatterndes Rauschen</translation>
    </message>
    <message>
        <source>Coloured noises stepped through by a multiplied clock, under one contour; holding the multiplier freezes the flutter.</source>
        <translation>Farbige Rauschen, von einem vervielfachten Takt durchgeschaltet, unter einer Hüllkurve; den Vervielfacher anhalten friert das Flattern ein.</translation>
    </message>
    <message>
        <source>Struck filter bank</source>
        <translation>Angeschlagene Filterbank</translation>
    </message>
    <message>
        <source>A trigger with a soft falling edge strikes a bank of band-passes, not quite a fifth apart.</source>
        <translation>Ein Trigger mit weicher fallender Flanke schlägt eine Bank von Bandpässen an, nicht ganz eine Quinte auseinander.</translation>
    </message>
    <message>
        <source>Resonance and feedback can jump by 20 dB in a step: begin with the monitor down.</source>
        <translation>Resonanz und Rückkopplung können auf einen Schlag um 20 dB springen: mit leiser Abhöre beginnen.</translation>
    </message>
    <message>
        <source>Study: exponential FM</source>
        <translation>Studie: exponentielle FM</translation>
    </message>
    <message>
        <source>Studies</source>
        <translation>Studien</translation>
    </message>
    <message>
        <source>A modulator into the exponential input: the mean pitch moves with the depth.</source>
        <translation>Ein Modulator in den exponentiellen Eingang: die mittlere Tonhöhe wandert mit der Tiefe.</translation>
    </message>
    <message>
        <source>Study: linear FM</source>
        <translation>Studie: lineare FM</translation>
    </message>
    <message>
        <source>A modulator into the linear input: sidebands, and the pitch stays.</source>
        <translation>Ein Modulator in den linearen Eingang: Seitenbänder, und die Tonhöhe bleibt.</translation>
    </message>
    <message>
        <source>Study: ring modulation</source>
        <translation>Studie: Ringmodulation</translation>
    </message>
    <message>
        <source>Two oscillators multiplied: sum and difference of their pitches, and neither of them.</source>
        <translation>Zwei Oszillatoren multipliziert: Summe und Differenz ihrer Tonhöhen, und keine von beiden.</translation>
    </message>
    <message>
        <source>carrier</source>
        <translation>Träger</translation>
    </message>
    <message>
        <source>modulator</source>
        <translation>Modulator</translation>
    </message>
    <message>
        <source>which interval is worth keeping</source>
        <translation>welches Intervall sich lohnt</translation>
    </message>
    <message>
        <source>Study: pulse width</source>
        <translation>Studie: Pulsbreite</translation>
    </message>
    <message>
        <source>A slow wave moves the width; at its ends the pulse falls silent.</source>
        <translation>Eine langsame Welle bewegt die Breite; an ihren Enden verstummt der Puls.</translation>
    </message>
    <message>
        <source>Subharmonic chord</source>
        <translation>Subharmonischer Akkord</translation>
    </message>
    <message>
        <source>A square clocks a divider at audio rate: an octave down, a twelfth, two octaves; eight slow waves fade the parts.</source>
        <translation>Ein Rechteck taktet einen Teiler in Tonfrequenz: eine Oktave tiefer, eine Duodezime, zwei Oktaven; acht langsame Wellen blenden die Stimmen.</translation>
    </message>
    <message>
        <source>Squares from 0 V up carry DC: keep the DC blocker, or invert half of them.</source>
        <translation>Rechtecke ab 0 V tragen Gleichanteil: den DC-Blocker behalten oder die Hälfte umkehren.</translation>
    </message>
    <message>
        <source>Sync lead, filtered</source>
        <translation>Sync-Lead, gefiltert</translation>
    </message>
    <message>
        <source>A follower under a leader, swept by a contour, into a filter that the sweep opens too.</source>
        <translation>Ein Folger unter einem Führer, von einer Hüllkurve durchfahren, in ein Filter, das sie auch öffnet.</translation>
    </message>
    <message>
        <source>Sync lead</source>
        <translation>Sync-Lead</translation>
    </message>
    <message>
        <source>The leader holds the note, the follower is heard; a contour sweeps the follower.</source>
        <translation>Der Führer hält den Ton, der Folger ist zu hören; eine Hüllkurve durchfährt den Folger.</translation>
    </message>
    <message>
        <source>how far the sweep goes</source>
        <translation>wie weit die Fahrt geht</translation>
    </message>
    <message>
        <source>Texture</source>
        <translation>Textur</translation>
    </message>
    <message>
        <source>A plucked tone through echo, reverb and grains, moved slowly by chance and by hand.</source>
        <translation>Ein gezupfter Ton durch Echo, Hall und Körner, langsam von Zufall und Hand bewegt.</translation>
    </message>
    <message>
        <source>Melody to rhythm, with wood</source>
        <translation>Aus Melodie wird Rhythmus, mit Holz</translation>
    </message>
    <message>
        <source>One tune strikes wood and a drum through detectors of its movement.</source>
        <translation>Eine Melodie schlägt Holz und eine Trommel an, über Detektoren ihrer Bewegung.</translation>
    </message>
    <message>
        <source>Two notes from one keyboard</source>
        <translation>Zwei Töne aus einer Tastatur</translation>
    </message>
    <message>
        <source>The lowest and the highest key as two pitches.</source>
        <translation>Die tiefste und die höchste Taste als zwei Tonhöhen.</translation>
    </message>
    <message>
        <source>Vowel voice</source>
        <translation>Vokalstimme</translation>
    </message>
    <message>
        <source>A synced follower through a band-pass in the region of the first formant; the leader is not heard, its saw moves the band-pass.</source>
        <translation>Ein synchronisierter Folger durch einen Bandpass im Bereich des ersten Formanten; der Führer ist nicht zu hören, sein Sägezahn bewegt den Bandpass.</translation>
    </message>
    <message>
        <source>opened by</source>
        <translation>geöffnet von</translation>
    </message>
    <message>
        <source>a contour</source>
        <translation>einer Hüllkurve</translation>
    </message>
    <message>
        <source>pressure</source>
        <translation>Druck</translation>
    </message>
    <message>
        <source>first formant</source>
        <translation>erster Formant</translation>
    </message>
    <message>
        <source>the mouth: how far the joystick bends the follower</source>
        <translation>der Mund: wie weit der Joystick den Folger biegt</translation>
    </message>
    <message>
        <source>Wish</source>
        <translation>Wunsch</translation>
    </message>
    <message>
        <source>Wishes</source>
        <translation>Wünsche</translation>
    </message>
    <message>
        <source>Line</source>
        <translation>Linie</translation>
    </message>
    <message>
        <source>Bass VCA</source>
        <translation>Bass-VCA</translation>
    </message>
    <message>
        <source>Way out</source>
        <translation>Ausgang</translation>
    </message>
    <message>
        <source>Bass contour</source>
        <translation>Bass-Hüllkurve</translation>
    </message>
    <message>
        <source>Bass filter</source>
        <translation>Bass-Filter</translation>
    </message>
    <message>
        <source>Clock</source>
        <translation>Takt</translation>
    </message>
    <message>
        <source>make it sound</source>
        <translation>zum Klingen bringen</translation>
    </message>
    <message>
        <source>make it play</source>
        <translation>zum Spielen bringen</translation>
    </message>
    <message>
        <source>move it</source>
        <translation>bewegen</translation>
    </message>
    <message>
        <source>time it</source>
        <translation>takten</translation>
    </message>
    <message>
        <source>Hits</source>
        <translation>Schläge</translation>
    </message>
    <message>
        <source>Either</source>
        <translation>Eines von beiden</translation>
    </message>
    <message>
        <source>Fall</source>
        <translation>Fall</translation>
    </message>
    <message>
        <source>Falling</source>
        <translation>Fallend</translation>
    </message>
    <message>
        <source>Down</source>
        <translation>Ab</translation>
    </message>
    <message>
        <source>Up</source>
        <translation>Auf</translation>
    </message>
    <message>
        <source>Osc</source>
        <translation>Osz</translation>
    </message>
    <message>
        <source>VCA</source>
        <translation>VCA</translation>
    </message>
    <message>
        <source>pattern it</source>
        <translation>Muster geben</translation>
    </message>
    <message>
        <source>Lets the ball fall.</source>
        <translation>Lässt den Ball fallen.</translation>
    </message>
    <message>
        <source>Each end strikes the other one.</source>
        <translation>Jedes Ende stößt das andere an.</translation>
    </message>
    <message>
        <source>High when it starts, so the bounces are long.</source>
        <translation>Hoch zu Beginn, darum sind die Sprünge lang.</translation>
    </message>
    <message>
        <source>Kick VCA</source>
        <translation>Kick-VCA</translation>
    </message>
    <message>
        <source>Stereo mixer</source>
        <translation>Stereomischer</translation>
    </message>
    <message>
        <source>Hat VCA</source>
        <translation>Hi-Hat-VCA</translation>
    </message>
    <message>
        <source>Lead VCA</source>
        <translation>Lead-VCA</translation>
    </message>
    <message>
        <source>Width</source>
        <translation>Breite</translation>
    </message>
    <message>
        <source>Bus insert</source>
        <translation>Bus-Insert</translation>
    </message>
    <message>
        <source>Line out</source>
        <translation>Line-Ausgang</translation>
    </message>
    <message>
        <source>Kick level</source>
        <translation>Kick-Pegel</translation>
    </message>
    <message>
        <source>Kick bend</source>
        <translation>Kick-Biegung</translation>
    </message>
    <message>
        <source>Kick</source>
        <translation>Kick</translation>
    </message>
    <message>
        <source>Noise</source>
        <translation>Rauschen</translation>
    </message>
    <message>
        <source>Hat contour</source>
        <translation>Hi-Hat-Hüllkurve</translation>
    </message>
    <message>
        <source>Lead</source>
        <translation>Lead</translation>
    </message>
    <message>
        <source>Lead contour</source>
        <translation>Lead-Hüllkurve</translation>
    </message>
    <message>
        <source>Lead filter</source>
        <translation>Lead-Filter</translation>
    </message>
    <message>
        <source>Three bands</source>
        <translation>Drei Bänder</translation>
    </message>
    <message>
        <source>Equalizer</source>
        <translation>Equalizer</translation>
    </message>
    <message>
        <source>Three bands, equalizer and width stand in the bus, not behind it: the main knob still turns all down.</source>
        <translation>Drei Bänder, Equalizer und Breite stehen im Bus, nicht dahinter: Der Hauptregler dreht noch immer alles leiser.</translation>
    </message>
    <message>
        <source>The whole bus leaves here and comes back at the return.</source>
        <translation>Hier geht der ganze Bus hinaus und kommt am Return zurück.</translation>
    </message>
    <message>
        <source>Behind the panel</source>
        <translation>Hinter der Platte</translation>
    </message>
    <message>
        <source>Filter</source>
        <translation>Filter</translation>
    </message>
    <message>
        <source>Mixer</source>
        <translation>Mischer</translation>
    </message>
    <message>
        <source>Echo</source>
        <translation>Echo</translation>
    </message>
    <message>
        <source>Register</source>
        <translation>Register</translation>
    </message>
    <message>
        <source>Scale</source>
        <translation>Skalierung</translation>
    </message>
    <message>
        <source>Quantizer</source>
        <translation>Quantisierer</translation>
    </message>
    <message>
        <source>Oscillator B</source>
        <translation>Oszillator B</translation>
    </message>
    <message>
        <source>Contour</source>
        <translation>Hüllkurve</translation>
    </message>
    <message>
        <source>Depth at A</source>
        <translation>Tiefe an A</translation>
    </message>
    <message>
        <source>Sum at A</source>
        <translation>Summe an A</translation>
    </message>
    <message>
        <source>Oscillator A</source>
        <translation>Oszillator A</translation>
    </message>
    <message>
        <source>Depth at B</source>
        <translation>Tiefe an B</translation>
    </message>
    <message>
        <source>Sum at B</source>
        <translation>Summe an B</translation>
    </message>
    <message>
        <source>Compare</source>
        <translation>Vergleich</translation>
    </message>
    <message>
        <source>Cross-fade</source>
        <translation>Überblendung</translation>
    </message>
    <message>
        <source>The pulse that two oscillators agree on, filtered.</source>
        <translation>Der Puls, auf den sich zwei Oszillatoren einigen, gefiltert.</translation>
    </message>
    <message>
        <source>Exponential into exponential: it droops twice.</source>
        <translation>Exponentiell in exponentiell: es fällt zweifach ab.</translation>
    </message>
    <message>
        <source>Open this one for body.</source>
        <translation>Diesen für mehr Körper öffnen.</translation>
    </message>
    <message>
        <source>Metal</source>
        <translation>Metall</translation>
    </message>
    <message>
        <source>Kick osc</source>
        <translation>Kick-Osz</translation>
    </message>
    <message>
        <source>Lead osc</source>
        <translation>Lead-Osz</translation>
    </message>
    <message>
        <source>Lead env</source>
        <translation>Lead-Hüllkurve</translation>
    </message>
    <message>
        <source>Drive</source>
        <translation>Verzerrer</translation>
    </message>
    <message>
        <source>Compressor</source>
        <translation>Kompressor</translation>
    </message>
    <message>
        <source>Driven on its own, before the bus.</source>
        <translation>Für sich verzerrt, vor dem Bus.</translation>
    </message>
    <message>
        <source>mix it</source>
        <translation>mischen</translation>
    </message>
    <message>
        <source>The insert: out of the bus and back.</source>
        <translation>Der Insert: aus dem Bus und zurück.</translation>
    </message>
    <message>
        <source>The kick pushes everything down.</source>
        <translation>Die Kick drückt alles herunter.</translation>
    </message>
    <message>
        <source>Turned over: it ducks the bass.</source>
        <translation>Umgekehrt: sie duckt den Bass.</translation>
    </message>
    <message>
        <source>Keys</source>
        <translation>Tasten</translation>
    </message>
    <message>
        <source>LFO</source>
        <translation>LFO</translation>
    </message>
    <message>
        <source>It drones: nothing tells it to stop.</source>
        <translation>Es brummt durch: nichts sagt ihm, dass es aufhören soll.</translation>
    </message>
    <message>
        <source>shape it</source>
        <translation>formen</translation>
    </message>
    <message>
        <source>The same contour opens the filter.</source>
        <translation>Dieselbe Hüllkurve öffnet das Filter.</translation>
    </message>
    <message>
        <source>Functions</source>
        <translation>Funktionen</translation>
    </message>
    <message>
        <source>Chord mix</source>
        <translation>Akkordmischer</translation>
    </message>
    <message>
        <source>DC blocker</source>
        <translation>DC-Blocker</translation>
    </message>
    <message>
        <source>A chord: turn Chord, and it goes through others.</source>
        <translation>Ein Akkord: an Chord drehen, und er geht durch andere.</translation>
    </message>
    <message>
        <source>MIDI</source>
        <translation>MIDI</translation>
    </message>
    <message>
        <source>Voice 1</source>
        <translation>Stimme 1</translation>
    </message>
    <message>
        <source>Env 1</source>
        <translation>Hüllkurve 1</translation>
    </message>
    <message>
        <source>Voice 2</source>
        <translation>Stimme 2</translation>
    </message>
    <message>
        <source>Env 2</source>
        <translation>Hüllkurve 2</translation>
    </message>
    <message>
        <source>Voice 3</source>
        <translation>Stimme 3</translation>
    </message>
    <message>
        <source>Env 3</source>
        <translation>Hüllkurve 3</translation>
    </message>
    <message>
        <source>Voice 4</source>
        <translation>Stimme 4</translation>
    </message>
    <message>
        <source>Env 4</source>
        <translation>Hüllkurve 4</translation>
    </message>
    <message>
        <source>Voice 5</source>
        <translation>Stimme 5</translation>
    </message>
    <message>
        <source>Env 5</source>
        <translation>Hüllkurve 5</translation>
    </message>
    <message>
        <source>Linked: the second one takes what the first one has no voice for.</source>
        <translation>Verkettet: der zweite nimmt, wofür der erste keine Stimme hat.</translation>
    </message>
    <message>
        <source>Function</source>
        <translation>Funktion</translation>
    </message>
    <message>
        <source>The four stand above zero: their DC goes here.</source>
        <translation>Die vier stehen über null: hier geht ihr Gleichanteil.</translation>
    </message>
    <message>
        <source>Ringing filter</source>
        <translation>Klingendes Filter</translation>
    </message>
    <message>
        <source>Opto-coupler</source>
        <translation>Optokoppler</translation>
    </message>
    <message>
        <source>Through the opto-coupler: 0 V is C2, up at once, down slowly.</source>
        <translation>Durch den Optokoppler: 0 V sind C2, sofort hinauf, langsam hinab.</translation>
    </message>
    <message>
        <source>Hat env</source>
        <translation>Hi-Hat-Hüllkurve</translation>
    </message>
    <message>
        <source>Level</source>
        <translation>Pegel</translation>
    </message>
    <message>
        <source>Pan</source>
        <translation>Panorama</translation>
    </message>
    <message>
        <source>It ticks, in the middle.</source>
        <translation>Es tickt, in der Mitte.</translation>
    </message>
    <message>
        <source>Each hit starts at one side and ends in the middle.</source>
        <translation>Jeder Schlag beginnt an einer Seite und endet in der Mitte.</translation>
    </message>
    <message>
        <source>Index</source>
        <translation>Index</translation>
    </message>
    <message>
        <source>Carrier</source>
        <translation>Träger</translation>
    </message>
    <message>
        <source>Modulator</source>
        <translation>Modulator</translation>
    </message>
    <message>
        <source>Index VCA</source>
        <translation>Index-VCA</translation>
    </message>
    <message>
        <source>Exponential: the bend dies away with the index.</source>
        <translation>Exponentiell: die Biegung vergeht mit dem Index.</translation>
    </message>
    <message>
        <source>Tone</source>
        <translation>Ton</translation>
    </message>
    <message>
        <source>Bend</source>
        <translation>Biegung</translation>
    </message>
    <message>
        <source>Body VCA</source>
        <translation>Körper-VCA</translation>
    </message>
    <message>
        <source>Grit VCA</source>
        <translation>Rauheits-VCA</translation>
    </message>
    <message>
        <source>Sum body</source>
        <translation>Summe</translation>
    </message>
    <message>
        <source>Nothing yet: both VCAs are closed.</source>
        <translation>Noch nichts: beide VCAs sind geschlossen.</translation>
    </message>
    <message>
        <source>The body beats.</source>
        <translation>Der Körper schlägt.</translation>
    </message>
    <message>
        <source>The second wave joins: brighter.</source>
        <translation>Die zweite Welle kommt dazu: heller.</translation>
    </message>
    <message>
        <source>bend it</source>
        <translation>biegen</translation>
    </message>
    <message>
        <source>The tone falls into the note.</source>
        <translation>Der Klang fällt in den Ton.</translation>
    </message>
    <message>
        <source>Every hit starts at the same place of the wave.</source>
        <translation>Jeder Schlag beginnt an derselben Stelle der Welle.</translation>
    </message>
    <message>
        <source>Strike</source>
        <translation>Anschlag</translation>
    </message>
    <message>
        <source>Struck</source>
        <translation>Angeschlagen</translation>
    </message>
    <message>
        <source>A short contour strikes the filter; its soft end strikes it once only.</source>
        <translation>Eine kurze Hüllkurve schlägt das Filter an; ihr weiches Ende schlägt es nur einmal an.</translation>
    </message>
    <message>
        <source>Nothing yet: the VCA is closed. Turn its offset up for a moment, and it drones at the note.</source>
        <translation>Noch nichts: der VCA ist geschlossen. Seinen Offset kurz aufdrehen, und es brummt auf dem Ton.</translation>
    </message>
    <message>
        <source>The contour opens with every hit; watch its trace.</source>
        <translation>Die Hüllkurve öffnet mit jedem Schlag; ihr Signalbild zeigt es.</translation>
    </message>
    <message>
        <source>Every hit begins at the same place of the wave: they look alike.</source>
        <translation>Jeder Schlag beginnt an derselben Stelle der Welle: sie sehen gleich aus.</translation>
    </message>
    <message>
        <source>The tone falls into the note: more bend, more click.</source>
        <translation>Der Klang fällt in den Ton: mehr Biegung, mehr Klick.</translation>
    </message>
    <message>
        <source>Now it beats. The meter at the way out says about 5 V at each hit.</source>
        <translation>Jetzt schlägt es. Der Messer am Ausgang zeigt etwa 5 V bei jedem Schlag.</translation>
    </message>
    <message>
        <source>Hub</source>
        <translation>Mittelpunkt</translation>
    </message>
    <message>
        <source>Steps</source>
        <translation>Schritte</translation>
    </message>
    <message>
        <source>Hat level</source>
        <translation>Hi-Hat-Pegel</translation>
    </message>
    <message>
        <source>Breath</source>
        <translation>Atem</translation>
    </message>
    <message>
        <source>Holding takes as long as sustain says, for the contour loops.</source>
        <translation>Das Halten dauert so lange, wie Sustain sagt, denn die Hüllkurve kreist.</translation>
    </message>
    <message>
        <source>All stages a little longer and shorter: one voltage is the tempo.</source>
        <translation>Alle Phasen etwas länger und kürzer: eine Spannung ist das Tempo.</translation>
    </message>
    <message>
        <source>LP gate</source>
        <translation>LP-Gate</translation>
    </message>
    <message>
        <source>A trigger is enough: the light dies away by itself.</source>
        <translation>Ein Trigger genügt: das Licht vergeht von selbst.</translation>
    </message>
    <message>
        <source>Melody detector</source>
        <translation>Melodiedetektor</translation>
    </message>
    <message>
        <source>Drum osc</source>
        <translation>Trommel-Osz</translation>
    </message>
    <message>
        <source>Drum VCA</source>
        <translation>Trommel-VCA</translation>
    </message>
    <message>
        <source>Drum level</source>
        <translation>Trommelpegel</translation>
    </message>
    <message>
        <source>Hiss level</source>
        <translation>Zischpegel</translation>
    </message>
    <message>
        <source>Fifth</source>
        <translation>Quinte</translation>
    </message>
    <message>
        <source>Fifth VCA</source>
        <translation>Quinten-VCA</translation>
    </message>
    <message>
        <source>Fifth level</source>
        <translation>Quintenpegel</translation>
    </message>
    <message>
        <source>The detector hears the melody first and hands it on.</source>
        <translation>Der Detektor hört die Melodie zuerst und reicht sie weiter.</translation>
    </message>
    <message>
        <source>let it answer</source>
        <translation>antworten lassen</translation>
    </message>
    <message>
        <source>Where the melody falls, the filter opens and closes again.</source>
        <translation>Wo die Melodie fällt, öffnet und schließt sich das Filter.</translation>
    </message>
    <message>
        <source>A jump strikes it; a glide does not.</source>
        <translation>Ein Sprung stößt es an, ein Gleiten nicht.</translation>
    </message>
    <message>
        <source>The release envelope that is normalled from rising.</source>
        <translation>Die Ausklingkurve, die von Steigen her normalisiert ist.</translation>
    </message>
    <message>
        <source>Above the slow line the fifth joins.</source>
        <translation>Über der langsamen Linie kommt die Quinte dazu.</translation>
    </message>
    <message>
        <source>Chance</source>
        <translation>Zufall</translation>
    </message>
    <message>
        <source>Depth</source>
        <translation>Tiefe</translation>
    </message>
    <message>
        <source>Only where the note is a new one.</source>
        <translation>Nur wo der Ton ein neuer ist.</translation>
    </message>
    <message>
        <source>Upper VCA</source>
        <translation>Oberer VCA</translation>
    </message>
    <message>
        <source>Reference</source>
        <translation>Bezug</translation>
    </message>
    <message>
        <source>Tracked by its edges: within a period the middle one is as high.</source>
        <translation>An seinen Flanken verfolgt: binnen einer Periode ist der mittlere ebenso hoch.</translation>
    </message>
    <message>
        <source>Brighter where the note begins.</source>
        <translation>Heller, wo der Ton beginnt.</translation>
    </message>
    <message>
        <source>Rattle</source>
        <translation>Rassel</translation>
    </message>
    <message>
        <source>Bass osc</source>
        <translation>Bass-Osz</translation>
    </message>
    <message>
        <source>Ducker</source>
        <translation>Ducker</translation>
    </message>
    <message>
        <source>It drones: the offset holds the VCA open.</source>
        <translation>Es brummt: der Offset hält den VCA offen.</translation>
    </message>
    <message>
        <source>The drone follows the line.</source>
        <translation>Der Bordun folgt der Linie.</translation>
    </message>
    <message>
        <source>duck it</source>
        <translation>ducken</translation>
    </message>
    <message>
        <source>With every hit the bass ducks and comes back.</source>
        <translation>Mit jedem Schlag duckt sich der Bass und kommt zurück.</translation>
    </message>
    <message>
        <source>Low</source>
        <translation>Tief</translation>
    </message>
    <message>
        <source>Switch</source>
        <translation>Umschalter</translation>
    </message>
    <message>
        <source>Snare VCA</source>
        <translation>Snare-VCA</translation>
    </message>
    <message>
        <source>Multiplier</source>
        <translation>Vervielfacher</translation>
    </message>
    <message>
        <source>Hold</source>
        <translation>Halten</translation>
    </message>
    <message>
        <source>Snare env</source>
        <translation>Snare-Hüllkurve</translation>
    </message>
    <message>
        <source>Sixteen steps to each sixteenth: a flutter of colours.</source>
        <translation>Sechzehn Schritte auf jedes Sechzehntel: ein Flattern der Farben.</translation>
    </message>
    <message>
        <source>Turn the offset up to freeze the flutter.</source>
        <translation>Den Offset aufdrehen, um das Flattern einzufrieren.</translation>
    </message>
    <message>
        <source>Soft edge</source>
        <translation>Weiche Flanke</translation>
    </message>
    <message>
        <source>Bell</source>
        <translation>Glocke</translation>
    </message>
    <message>
        <source>Pitch sum</source>
        <translation>Tonhöhensumme</translation>
    </message>
    <message>
        <source>Vibrato</source>
        <translation>Vibrato</translation>
    </message>
    <message>
        <source>Struck once: the soft edge does not strike again.</source>
        <translation>Einmal angeschlagen: die weiche Flanke schlägt nicht noch einmal an.</translation>
    </message>
    <message>
        <source>Bender</source>
        <translation>Bieger</translation>
    </message>
    <message>
        <source>Bent</source>
        <translation>Gebogen</translation>
    </message>
    <message>
        <source>The mean pitch rises with the depth.</source>
        <translation>Die mittlere Tonhöhe steigt mit der Tiefe.</translation>
    </message>
    <message>
        <source>Ring</source>
        <translation>Ring</translation>
    </message>
    <message>
        <source>Nothing: one side is still zero.</source>
        <translation>Nichts: eine Seite ist noch null.</translation>
    </message>
    <message>
        <source>multiply</source>
        <translation>multiplizieren</translation>
    </message>
    <message>
        <source>Two tones at once, sum and difference.</source>
        <translation>Zwei Töne zugleich, Summe und Differenz.</translation>
    </message>
    <message>
        <source>Width osc</source>
        <translation>Breiten-Osz</translation>
    </message>
    <message>
        <source>Half width and forty per cent of depth: it never falls silent.</source>
        <translation>Halbe Breite und vierzig Prozent Tiefe: es verstummt nie.</translation>
    </message>
    <message>
        <source>Source</source>
        <translation>Quelle</translation>
    </message>
    <message>
        <source>Divider</source>
        <translation>Teiler</translation>
    </message>
    <message>
        <source>Turn 1</source>
        <translation>Drehung 1</translation>
    </message>
    <message>
        <source>Parts 1</source>
        <translation>Anteile 1</translation>
    </message>
    <message>
        <source>Turn 2</source>
        <translation>Drehung 2</translation>
    </message>
    <message>
        <source>Parts 2</source>
        <translation>Anteile 2</translation>
    </message>
    <message>
        <source>Turn 3</source>
        <translation>Drehung 3</translation>
    </message>
    <message>
        <source>Parts 3</source>
        <translation>Anteile 3</translation>
    </message>
    <message>
        <source>Turn 4</source>
        <translation>Drehung 4</translation>
    </message>
    <message>
        <source>Parts 4</source>
        <translation>Anteile 4</translation>
    </message>
    <message>
        <source>Slow wave</source>
        <translation>Langsame Welle</translation>
    </message>
    <message>
        <source>The divider counts it as it would count beats.</source>
        <translation>Der Teiler zählt es, wie er Schläge zählen würde.</translation>
    </message>
    <message>
        <source>What is not plugged above falls through to the last one.</source>
        <translation>Was oben nicht gesteckt ist, fällt bis zum letzten durch.</translation>
    </message>
    <message>
        <source>Follower</source>
        <translation>Folger</translation>
    </message>
    <message>
        <source>Contour 1</source>
        <translation>Hüllkurve 1</translation>
    </message>
    <message>
        <source>Leader</source>
        <translation>Führer</translation>
    </message>
    <message>
        <source>Contour 2</source>
        <translation>Hüllkurve 2</translation>
    </message>
    <message>
        <source>sync sweep</source>
        <translation>Sync durchfahren</translation>
    </message>
    <message>
        <source>The leader holds the note, the follower is heard</source>
        <translation>Der Führer hält den Ton, der Folger ist zu hören</translation>
    </message>
    <message>
        <source>This sweep is the sound of the patch</source>
        <translation>Diese Fahrt ist der Klang des Patches</translation>
    </message>
    <message>
        <source>Sweep</source>
        <translation>Fahrt</translation>
    </message>
    <message>
        <source>The follower starts over with every turn of the leader.</source>
        <translation>Der Folger beginnt mit jeder Umdrehung des Führers neu.</translation>
    </message>
    <message>
        <source>The pitch goes to the leader: on the follower it would only change the colour.</source>
        <translation>Die Tonhöhe geht zum Führer: am Folger würde sie nur die Farbe ändern.</translation>
    </message>
    <message>
        <source>Grains</source>
        <translation>Körner</translation>
    </message>
    <message>
        <source>Spring</source>
        <translation>Feder</translation>
    </message>
    <message>
        <source>Pad</source>
        <translation>Pad</translation>
    </message>
    <message>
        <source>Slow chance walks through the last seconds.</source>
        <translation>Langsamer Zufall geht durch die letzten Sekunden.</translation>
    </message>
    <message>
        <source>A hand on the pad lengthens the spring.</source>
        <translation>Eine Hand auf dem Pad verlängert die Feder.</translation>
    </message>
    <message>
        <source>Detector</source>
        <translation>Detektor</translation>
    </message>
    <message>
        <source>Wood</source>
        <translation>Holz</translation>
    </message>
    <message>
        <source>Higher</source>
        <translation>Höher</translation>
    </message>
    <message>
        <source>Fires on every change of a semitone and on nothing else.</source>
        <translation>Feuert bei jeder Änderung um einen Halbton und bei nichts sonst.</translation>
    </message>
    <message>
        <source>High</source>
        <translation>Hoch</translation>
    </message>
    <message>
        <source>Pair env</source>
        <translation>Paar-Hüllkurve</translation>
    </message>
    <message>
        <source>Pair mix</source>
        <translation>Paar-Mischer</translation>
    </message>
    <message>
        <source>Pair VCA</source>
        <translation>Paar-VCA</translation>
    </message>
    <message>
        <source>Throat</source>
        <translation>Kehle</translation>
    </message>
    <message>
        <source>Mouth</source>
        <translation>Mund</translation>
    </message>
    <message>
        <source>The saw moves the centre within each turn.</source>
        <translation>Der Sägezahn bewegt die Mitte in jeder Umdrehung.</translation>
    </message>
    <message>
        <source>Pressure opens the throat as well.</source>
        <translation>Auch Druck öffnet die Kehle.</translation>
    </message>
    <message>
        <source>The mouth: another vowel by hand.</source>
        <translation>Der Mund: ein anderer Vokal von Hand.</translation>
    </message>
</context>
</TS>
