// Modules written as lines and back, tried on the stand, and knobs calibrated by reading.
#include "engine/render.h"
#include "library/check.h"
#include "library/workspace.h"
#include "maker/calibrate_module.h"
#include "maker/keep_module.h"
#include "maker/module_text.h"
#include "maker/stand.h"
#include "measure/measure.h"
#include "model/audio_file.h"
#include "model/file.h"
#include "support/patches.h"

#include <QtTest>

#include <QTemporaryDir>

#include <numbers>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

const char* const kDrum = R"(module My drum
about Kick behind one trigger
10 HP, 45 mA on +12 V, 40 mA on -12 V

part Drum
osc is a vco, with octave C1
bend is a contour, with type AD, attack 0.3 ms
level is a contour, with type AD, attack 0.5 ms
vca is a vca
split is a mult
split out 1 to bend gate
split out 2 to level gate
split out 3 to osc sync
bend out to osc fm
osc sine to vca in
level out to vca lin cv
jack trig (trigger) is split in
jack out is vca out
knob Tune is osc fine
knob Bend is osc fm amount, starts at 40 %, from 0 % to 100 %
knob Decay is level decay, starts at 350 ms
main Tune, Bend, Decay
)";

/// The same with one line more, or another one in its place.
std::string drumWith(const std::string& line, const std::string& instead = {}) {
    std::string text = kDrum;
    if (instead.empty()) return text + line + "\n";
    const auto at = text.find(instead);
    return text.replace(at, text.find('\n', at) - at, line);
}

std::vector<float> tone(double seconds, const std::function<double(double)>& volts, double rate = 48000.0) {
    std::vector<float> out(static_cast<std::size_t>(seconds * rate));
    for (std::size_t i = 0; i < out.size(); ++i) out[i] = static_cast<float>(volts(static_cast<double>(i) / rate));
    return out;
}

const Scale kCutoff{Unit::Hertz, 20, 20000, Taper::Log, {}};

double place(const char* hand) {
    return *parseClockHand(hand);
}

} // namespace

class MakerTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void everyShippedModuleSurvivesItsLines() {
        QVERIFY(workspace().library.modules().size() > 70);
        for (const auto& [id, module] : workspace().library.modules()) {
            const std::string lines = writeModuleText(module.description);
            const ModuleText read = readModuleText(lines, module.description.extra);
            for (const Fault& fault : read.faults)
                qWarning("%s, line %d: %s", id.c_str(), fault.line, fault.reason.str().c_str());
            QVERIFY(read.module);
            QCOMPARE(writeModuleText(*read.module), lines);
            const auto again = resolveModule(*read.module);
            QVERIFY(again);
            QVERIFY2(again->parts == module.parts, id.c_str());
            QCOMPARE(again->description.hp, module.description.hp);
            QCOMPARE(again->description.about, module.description.about);
            QVERIFY(again->description.current == module.description.current);
        }
    }

    void everyShippedModuleSurvivesItsFile() {
        for (const auto& [id, module] : workspace().library.modules()) {
            const auto read = readModule(writeModule(module.description));
            QVERIFY2(read, id.c_str());
            QVERIFY2(*read == module.description, id.c_str());
        }
    }

    void whatAModuleSaysIsKept() {
        // One of everything that no shipped module says.
        const std::string lines = R"(module "Odd, one"
id odd-one
3.5 HP)";
        QVERIFY(!readModuleText(lines).module); // half an HP
        const ModuleText read = readModuleText(R"(module "Odd, one"
12 HP, 10 mA on +12 V, 11 mA on -12 V, 12 mA on +5 V
noise 80 uV
part One
# a word in passing
block main is a slew
wire main out to gain in 1
gain is an adder
)");
        QCOMPARE(read.faults.size(), std::size_t{1}); // the wire names a block that stands below it
        QCOMPARE(read.faults[0].line, 7);
        const ModuleText odd = readModuleText(R"(module "Odd, one"
12 HP, 10 mA on +12 V, 11 mA on -12 V, 12 mA on +5 V
noise 80 uV
part One
block main is a vco
all jacks and knobs
outputs 2 kohm
jack "in, pitch" is voct, from -2 V to 8 V, gain 2, offset +1 V, hertz per volt, 50 kohm, threshold 3 V, pulses from 2 ms
knob Tilt is width, from 10 % to 90 %, starts at 30 %, taper squared
readings of Tilt: 12 % at 7:30, 50 % at 11:00, 88 % at 4:00; linear
with a plug in pwm, knob Tilt is called PWM depth, sets pwm amount
with a plug in sync, jack "in, pitch" is called colour
unplugged, sync hears one pulse
main Tilt
)");
        for (const Fault& fault : odd.faults) qWarning("line %d: %s", fault.line, fault.reason.str().c_str());
        QVERIFY(odd.module);
        const PartDescription& part = odd.module->parts[0];
        QCOMPARE(odd.module->id, std::string("odd-one"));
        QCOMPARE(odd.module->current.plus5, 12.0);
        QCOMPARE(odd.module->noiseMicrovolts, 80.0);
        QCOMPARE(part.outputKiloohms, 2.0);
        const JackDescription& jack = part.jacks[0];
        QCOMPARE(jack.name, std::string("in, pitch"));
        QCOMPARE(jack.scaling.gain, 2.0);
        QCOMPARE(jack.scaling.offset, 1.0);
        QVERIFY(jack.scaling.hertzPerVolt);
        QCOMPARE(jack.electrics.kiloohms, 50.0);
        QCOMPARE(jack.electrics.threshold, 3.0);
        QCOMPARE(jack.electrics.shortest, 0.002);
        QCOMPARE(*jack.max, 8.0);
        QCOMPARE(jack.meanings[0].name, std::string("colour"));
        const KnobDescription& knob = part.knobs[0];
        QCOMPARE(*knob.taper, Taper::Squared);
        QCOMPARE(*knob.initial, 30.0);
        QCOMPARE(knob.calibration.readings.size(), std::size_t{3});
        QCOMPARE(knob.calibration.law, Law::Linear);
        QCOMPARE(knob.meanings[0].at, std::string("pwm-amount"));
        QCOMPARE(part.normals.at("sync"), std::string("one.pulse"));
        // … in the file and in the lines.
        QVERIFY(*readModule(writeModule(*odd.module)) == *odd.module);
        const ModuleText again = readModuleText(writeModuleText(*odd.module));
        QVERIFY(again.module);
        QVERIFY(*again.module == *odd.module);
    }

    void aKnobBeginsWhereItsBlockWasPut() {
        const auto drum = resolveModule(*readModuleText(drumWith("knob Rise is bend attack")).module);
        QCOMPARE(drum->parts[0].knob("rise")->initial, 0.0003);
        QCOMPARE(drum->parts[0].knob("decay")->initial, 0.35);
    }

    void everyFaultIsSaidWhereItIs_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<int>("line");
        QTest::addColumn<QString>("says");
        const auto row = [](const char* name, const std::string& text, int line, const char* says) {
            QTest::newRow(name) << QString::fromStdString(text) << line << QString::fromUtf8(says);
        };
        row("empty", "", 0, "name");
        row("no block of that name", drumWith("osc is a vcoo", "osc is"), 6, "near: vco");
        row("no jack", drumWith("osc sien to vca in", "osc sine"), 15, "near: sine");
        row("input at the start", drumWith("vca in to osc fm", "bend out"), 14, "begins at an output");
        row("output at the end", drumWith("osc sine to vca out", "osc sine"), 15, "leads to an input");
        row("two into one", drumWith("osc saw to vca in"), 23, "mixer");
        row("no control", drumWith("knob Tune is osc fien", "knob Tune"), 19, "near: fine");
        row("no value", drumWith("osc is a vco, with octave seven", "osc is"), 6, "seven");
        row("range turned round", drumWith("knob Bend is osc fm amount, from 50 % to 10 %", "knob Bend"), 20, "round");
        row("range too wide", drumWith("knob Bend is osc fm amount, from 0 % to 400 %", "knob Bend"), 20, "beyond");
        row("start outside", drumWith("knob Decay is level decay, from 1 ms to 10 ms, starts at 1 s", "knob Decay"), 21,
            "outside");
        row("jack twice", drumWith("jack out is osc saw"), 23, "already");
        row("knob twice", drumWith("knob Tune is osc octave"), 23, "already");
        row("block twice", drumWith("osc is a vca"), 23, "already");
        row("part twice", drumWith("part Drum"), 23, "already");
        row("main of nothing", drumWith("main Tone", "main"), 22, "near");
        row("circle", drumWith("jack a is osc fm\nunplugged, a hears drum a"), 24, "circle");
        row("normal of nothing", drumWith("unplugged, trig hears other gate"), 23, "does not exist");
        row("mode of no switch", drumWith("with Tune at on, knob Bend is called Depth"), 20, "switch");
        row("width", drumWith("10.5 HP", "10 HP"), 3, "whole");
        row("too wide", drumWith("900 HP", "10 HP"), 0, "208");
        row("rail", drumWith("10 HP, 4 mA on +9 V", "10 HP"), 3, "+12 V");
        row("readings", drumWith("readings of Decay: 1 s at 8:00, 100 ms at 9:00; points"), 23, "contradict");
        row("off the dial", drumWith("readings of Decay: 1 s at 6:00"), 23, "7:00 to 5:00");
        row("log from zero", drumWith("knob Sag is vca lin amount, taper log"), 23, "above zero");
        row("something else", drumWith("make it sound nice"), 23, "none of the lines");
        row("nothing in it", "module A\n4 HP\npart B\n", 3, "no block yet");
        row("line before a part", "module A\n4 HP\nosc is a vco\n", 3, "part comes first");
    }
    void everyFaultIsSaidWhereItIs() {
        QFETCH(QString, text);
        QFETCH(int, line);
        QFETCH(QString, says);
        const ModuleText read = readModuleText(text.toStdString());
        QVERIFY(!read.module);
        const auto hit = std::ranges::find_if(read.faults, [&](const Fault& fault) {
            return fault.line == line && QString::fromStdString(fault.reason.str()).contains(says);
        });
        if (hit == read.faults.end())
            for (const Fault& fault : read.faults) qWarning("line %d: %s", fault.line, fault.reason.str().c_str());
        QVERIFY(hit != read.faults.end());
    }

    void allFaultsAreSaidAtOnce() {
        const ModuleText read = readModuleText(drumWith("osc sien to vca in", "osc sine") + "jack x is nowhere\nfoo\n");
        QCOMPARE(read.faults.size(), std::size_t{3});
        QVERIFY(std::ranges::is_sorted(read.faults, {}, &Fault::line));
    }

    void hostileLinesDoNoHarm() {
        std::mt19937 random(7);
        const std::string from = std::string(kDrum) + "\"(),; to is a with at and µ\xff\n";
        for (int round = 0; round < 3000; ++round) {
            std::string text = kDrum;
            for (int i = 0; i < 4; ++i) {
                const std::size_t at = random() % text.size();
                if (random() % 3 == 0)
                    text.erase(at, random() % 12);
                else
                    text.insert(at, from.substr(random() % from.size(), random() % 9));
            }
            const ModuleText read = readModuleText(text);
            QVERIFY(read.module.has_value() == read.faults.empty());
            if (read.module) QVERIFY(readModule(writeModule(*read.module)).and_then(resolveModule));
        }
        QVERIFY(!readModuleText(std::string(kLongestModuleText + 1, 'x')).module);
        QVERIFY(!readModuleText(std::string(100'000, '"')).module);
    }

    void theHintIsOfTheBlockUnderTheHand() {
        const std::string text = drumWith("split out 1 to bend ");
        QVERIFY(hintFor(text, 23).starts_with("bend: Contour\nin: gate"));
        QVERIFY(hintFor(text, 19).starts_with("osc: VCO"));
        QVERIFY(hintFor("module A\npart B\n", 3).starts_with("blocks: clock"));
        QVERIFY(hintFor("module A\n\npart B\n", 2).empty());
    }

    void aDrumOnTheStandIsHeard() {
        const ModuleInfo drum = *resolveModule(*readModuleText(kDrum).module);
        for (const StandView view : {StandView::Panel, StandView::Behind}) {
            const Stand stand = makeStand(drum, workspace().library, view);
            QVERIFY(checkPatch(stand.patch, stand.workspace.library));
            RenderOptions options;
            options.seconds = 4.0;
            const auto heard = render(stand.patch, stand.workspace.library, options);
            QVERIFY(heard);
            QCOMPARE(heard->faults, std::uint64_t{0});
            // A beat of the clock is a hit: 120 BPM for four seconds.
            std::vector<float> loud;
            for (std::size_t i = 0; i + 960 < heard->left.size(); i += 960)
                loud.push_back(static_cast<float>(measureLevel(std::span(heard->left).subspan(i, 960)).peak().value));
            QVERIFY(*std::ranges::max_element(loud) > 1.0);
            int hits = 0;
            for (std::size_t i = 1; i < loud.size(); ++i) hits += loud[i] > 1.5f && loud[i - 1] < 0.75f;
            QVERIFY2(hits >= 6 && hits <= 9, qPrintable(QString::number(hits)));
        }
    }

    void everyShippedModuleStandsOnTheStand() {
        int heard = 0;
        for (const auto& [id, module] : workspace().library.modules())
            for (const StandView view : {StandView::Panel, StandView::Behind}) {
                const Stand stand = makeStand(module, workspace().library, view);
                const auto fits = checkPatch(stand.patch, stand.workspace.library);
                QVERIFY2(fits, (id + ": " + (fits ? "" : fits.error().text())).c_str());
                if (view == StandView::Behind) {
                    for (std::size_t p = 0; p < module.parts.size(); ++p)
                        QCOMPARE(asOnStand(stand.patch, module).parts[p], module.description.parts[p]);
                    continue;
                }
                RenderOptions options;
                options.seconds = 1.0;
                const auto out = render(stand.patch, stand.workspace.library, options);
                QVERIFY2(out, id.c_str());
                QCOMPARE(out->faults, std::uint64_t{0});
                heard += measureLevel(out->left).peak().value > 0.05;
            }
        // Samples without a recording, ways in without a device and the like are rightly silent.
        QVERIFY2(heard >= 50, qPrintable(QString::number(heard)));
    }

    void theStandHearsTheEndOfTheWay() {
        // A whole voice leads through itself: what comes out of its last part is heard, and nothing is reset meanwhile.
        const Stand stand =
            makeStand(*workspace().library.module("dinghy-voice"), workspace().library, StandView::Panel);
        QCOMPARE(stand.patch.cableInto({"way-out", "left"})->from.post, std::string("made-vca"));
        for (const Cable& cable : stand.patch.cables) QVERIFY(cable.to.jack != "sync" && cable.to.jack != "reset");
        QVERIFY(stand.patch.cableInto({"made-contour", "gate"}));
    }

    void whatWasDoneOnTheStandStays() {
        const ModuleInfo drum = *resolveModule(*readModuleText(kDrum).module);
        Stand before = makeStand(drum, workspace().library, StandView::Panel);
        const auto made = std::ranges::find(before.patch.posts, "made-drum", &Post::id);
        made->knobs["decay"] = 0.2;
        std::erase_if(before.patch.cables, [](const Cable& cable) { return cable.to.jack == "right"; });
        for (Cable& cable : before.patch.cables)
            if (cable.to.post == "made-drum") cable.from.jack = "eighths";
        const ModuleInfo more = *resolveModule(*readModuleText(drumWith("jack tune is osc voct")).module);
        const Stand after = makeStand(more, workspace().library, StandView::Panel, &before);
        QVERIFY(checkPatch(after.patch, after.workspace.library));
        QCOMPARE(after.patch.post("made-drum")->knobs.at("decay"), 0.2);
        QVERIFY(!after.patch.cableInto({"way-out", "right"}));                                        // stays untied
        QCOMPARE(after.patch.cableInto({"made-drum", "trigger"})->from.jack, std::string("eighths")); // as it was
        QCOMPARE(after.patch.cableInto({"made-drum", "tune"})->from.jack, std::string("pitch-1"));    // is new
        // A knob that is gone, or goes no further, is let go.
        const ModuleInfo less = *resolveModule(
            *readModuleText(drumWith("knob Decay is level decay, from 1 ms to 100 ms", "knob Decay")).module);
        const Stand small = makeStand(less, workspace().library, StandView::Panel, &after);
        QVERIFY(checkPatch(small.patch, small.workspace.library));
        QVERIFY(!small.patch.post("made-drum")->knobs.contains("decay"));
    }

    void aLawIsFoundFromItsReadings_data() {
        QTest::addColumn<int>("law");
        QTest::newRow("linear") << static_cast<int>(Law::Linear);
        QTest::newRow("exponential") << static_cast<int>(Law::Exponential);
        QTest::newRow("logarithmic") << static_cast<int>(Law::Logarithmic);
    }
    void aLawIsFoundFromItsReadings() {
        QFETCH(int, law);
        const auto truth = [&](double x) {
            switch (static_cast<Law>(law)) {
            case Law::Linear:
                return 100.0 + 3000.0 * x;
            case Law::Exponential:
                return 35.0 * std::pow(300.0, x);
            default:
                return 50.0 + 900.0 * std::log1p(12.0 * x);
            }
        };
        std::vector<Mark> readings;
        for (const double x : {0.05, 0.2, 0.4, 0.55, 0.8, 0.95}) readings.push_back({x, truth(x)});
        const auto found = calibrate(kCutoff, readings);
        QVERIFY(found);
        QCOMPARE(static_cast<int>(found->law), law);
        QVERIFY(found->worst() < 0.05); // minutes
        for (int i = 0; i <= 100; ++i) {
            const double x = i / 100.0;
            QVERIFY(std::abs(found->scale.toValue(x) / truth(x) - 1.0) < 2e-3);
            QVERIFY(std::abs(found->scale.toFraction(truth(x)) - x) < 1e-3);
        }
        // Three minutes of the dial off, seeded: the law is found as well, and tells by how much.
        std::mt19937 random(3);
        std::normal_distribution<double> off(0.0, 3.0 / 600.0);
        for (Mark& mark : readings) mark.value = truth(mark.fraction + off(random));
        const auto noisy = calibrate(kCutoff, readings, static_cast<Law>(law));
        QVERIFY(noisy);
        QVERIFY(noisy->worst() > 0.3 && noisy->worst() < 12.0);
        for (const double x : {0.1, 0.5, 0.9}) QVERIFY(std::abs(noisy->scale.toFraction(truth(x)) - x) < 8.0 / 600.0);
    }

    void throughThePointsStaysMonotone() {
        std::mt19937 random(11);
        std::uniform_real_distribution<double> step(0.0, 1.0);
        for (int round = 0; round < 200; ++round) {
            std::vector<Mark> readings;
            double x = 0.0;
            double value = 25.0;
            while (x < 0.9) {
                x += 0.03 + 0.15 * step(random);
                value *= 1.0 + step(random);
                if (x <= 1.0 && value < 19000.0) readings.push_back({x, value});
            }
            if (readings.size() < 2) continue;
            const auto found = calibrate(kCutoff, readings, Law::Points);
            QVERIFY(found);
            QVERIFY(found->worst() < 1e-6);
            double before = 0.0;
            for (int i = 0; i <= 500; ++i) {
                const double at = found->scale.toValue(i / 500.0);
                QVERIFY(at >= before);
                before = at;
                const double back = found->scale.toFraction(at);
                QVERIFY(std::abs(found->scale.toValue(back) / at - 1.0) < 1e-9);
            }
        }
    }

    void readingsThatContradictAreRefused() {
        const auto says = [](const std::vector<Mark>& readings, std::optional<Law> law, const char* what) {
            const auto found = calibrate(kCutoff, readings, law);
            return !found && found.error().str().find(what) != std::string::npos;
        };
        QVERIFY(says({}, {}, "two places"));
        QVERIFY(says({{0.5, 400}}, {}, "two places"));
        QVERIFY(says({{0.2, 400}, {0.2, 900}}, {}, "at 9:00 both 400 Hz and 900 Hz"));
        QVERIFY(says({{0.2, 400}, {0.5, 300}, {0.8, 900}}, {}, "contradict"));
        QVERIFY(says({{0.2, 400}, {0.5, 400}}, {}, "two values"));
        QVERIFY(says({{0.2, 400}, {0.5, 30000}}, {}, "30 kHz at 12:00"));
        QVERIFY(says({{0.2, 400}, {0.5, std::nan("")}}, {}, "nothing this knob can be"));
        QVERIFY(says({{0.2, 400}, {0.5, 900}}, Law::Logarithmic, "three places"));
        QVERIFY(says({{-0.2, 400}, {0.5, 900}}, {}, "off the dial"));
        QVERIFY(!calibrate(switchScale({"a", "b"}), {{0, 0}, {1, 1}}));
        const Scale level{Unit::Percent, -100, 100, Taper::Linear, {}};
        QVERIFY(!calibrate(level, {{0.2, -50}, {0.8, 50}}, Law::Exponential));
        // Two readings of one place that are as good as alike are one.
        const auto one = calibrate(kCutoff, {{0.2, 400}, {0.2, 402}, {0.6, 900}});
        QVERIFY(one);
        QCOMPARE(one->readings.size(), std::size_t{2});
        QCOMPARE(one->readings[0].value, 401.0);
    }

    void aCalibratedKnobStandsWhereItsMetalDoes() {
        const ModuleInfo& filter = *workspace().library.module("glowworm-filter");
        const PartInfo& part = filter.parts[0];
        const KnobInfo* cutoff = nullptr;
        for (const KnobInfo& knob : part.knobs)
            if (knob.scale.unit == Unit::Hertz) cutoff = &knob;
        QVERIFY(cutoff);
        const Calibration read{Law::Points, {{place("8:00"), 60}, {place("12:00"), 700}, {place("4:00"), 6000}}};
        const auto changed = withCalibration(filter, part.id, cutoff->id, read);
        QVERIFY(changed);
        const PartInfo& after = *changed->part(part.id);
        QCOMPARE(after.knobs.size(), part.knobs.size());
        QCOMPARE(after.jacks.size(), part.jacks.size());
        const Scale& scale = after.knob(cutoff->id)->scale;
        QCOMPARE(clockHand(scale.toFraction(700)), std::string("12:00"));
        QVERIFY(std::abs(scale.toValue(place("4:00")) - 6000) < 1e-6);
        QCOMPARE(*scale.parse("12:00"), scale.toValue(0.5));
        // What the control can do stays legal, wherever the hand ends.
        QCOMPARE(scale.min, cutoff->scale.min);
        QCOMPARE(scale.max, cutoff->scale.max);
        // Through its file, and away again.
        const auto back = readModule(writeModule(changed->description)).and_then(resolveModule);
        QVERIFY(back);
        QVERIFY(back->parts == changed->parts);
        QVERIFY(calibrationOf(*back, part.id, cutoff->id) == read);
        const auto cleared = withCalibration(*back, part.id, cutoff->id, {});
        QVERIFY(cleared);
        QVERIFY(cleared->part(part.id)->knob(cutoff->id)->scale.marks.empty());
        QVERIFY(!withCalibration(filter, part.id, "nothing", read));
        QVERIFY(!withCalibration(filter, "nothing", cutoff->id, read));
    }

    void aRecordingTellsAReading() {
        const double tau = 2.0 * std::numbers::pi;
        const auto close = [](const Result<double>& heard, double wanted, double part) {
            return heard && std::abs(*heard / wanted - 1.0) < part;
        };
        QVERIFY(
            close(hearReading(Heard::Rate, tone(1.0, [&](double t) { return 5 * std::sin(tau * 412.3 * t); }), 48000),
                  412.3, 1e-4));
        QVERIFY(
            close(hearReading(Heard::Rate, tone(20.0, [&](double t) { return 5 * std::sin(tau * 0.7 * t); }), 48000),
                  0.7, 5e-3));
        QVERIFY(
            close(hearReading(Heard::Tempo,
                              tone(8.0, [](double t) { return std::fmod(t, 60.0 / 97.0) < 0.01 ? 8.0 : 0.0; }), 48000),
                  97.0, 2e-3));
        const auto ring = tone(3.0, [&](double t) {
            return t < 0.5 ? 0.0 : 5 * std::exp(-(t - 0.5) * std::log(1000.0) / 0.8) * std::sin(tau * 500 * t);
        });
        QVERIFY(close(hearReading(Heard::Fall, ring, 48000), 0.8, 0.03));
        const auto ramp = tone(2.0, [](double t) { return t < 0.3 ? 0.0 : t < 0.55 ? 8 * (t - 0.3) / 0.25 : 0.0; });
        QVERIFY(close(hearReading(Heard::Rise, ramp, 48000), 0.25, 0.01));
        QVERIFY(close(hearReading(Heard::Volts, tone(1.0, [](double) { return 3.3; }), 48000), 3.3, 1e-3));
        for (const Heard what : {Heard::Rate, Heard::Rise, Heard::Fall, Heard::Tempo})
            QVERIFY(!hearReading(what, tone(1.0, [](double) { return 0.0; }), 48000));
        QVERIFY(!hearReading(Heard::Rate, {}, 48000));
    }

    void aModuleIsKeptAndFoundAgain() {
        const QTemporaryDir folder;
        const std::filesystem::path own = folder.path().toStdString();
        const ModuleDescription drum = *readModuleText(kDrum).module;
        QVERIFY(keepModule(drum, own));
        const Workspace found = loadWorkspace(dataFolder(), own);
        QVERIFY(found.library.module("my-drum"));
        QVERIFY(found.library.module("my-drum")->description == drum);
        QVERIFY(readModuleFile(moduleFile(own, "my-drum")));
        QVERIFY(writeFile(own / "drum.txt", kDrum, FileKind::Document));
        QVERIFY(readModuleFile(own / "drum.txt")->description == drum);
        QVERIFY(writeFile(own / "bad.txt", drumWith("osc sien to vca in", "osc sine"), FileKind::Document));
        const auto bad = readModuleFile(own / "bad.txt");
        QVERIFY(!bad);
        QCOMPARE(bad.error().path, std::string("line 15"));
    }

    void whatNeedsItAsItWasIsNamed() {
        const Workspace& known = workspace();
        ModuleDescription wide = known.library.module("skerry-filter")->description;
        QVERIFY(!whyNot(*resolveModule(wide), known, Patch{}));
        wide.hp = 100;
        const auto why = whyNot(*resolveModule(wide), known, Patch{});
        QVERIFY(why);
        ModuleDescription less = known.library.module("keel-vco-pair")->description;
        std::erase_if(less.parts[0].jacks, [](const JackDescription& jack) { return jack.id == "saw"; });
        const auto missing = whyNot(*resolveModule(less), known, lamp());
        QVERIFY(missing);
        QVERIFY(missing->text().find("saw") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(MakerTest)
#include "maker_test.moc"
