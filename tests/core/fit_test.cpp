// A recording of a case that is not quite as it was written down: what was seeded is measured and found again.
#include "ask/as_recorded.h"
#include "ask/asking.h"
#include "ask/real.h"
#include "maker/calibrate_module.h"
#include "model/edit.h"
#include "support/patches.h"

#include <QtTest>

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

Trace sideOf(const AsRecorded& recorded) {
    Trace out;
    out.name = "recording";
    out.rate = recorded.rate;
    for (std::size_t i = 0; i < recorded.mix.size() / 2; ++i) out.volts.push_back(10.0f * recorded.mix[2 * i]);
    return out;
}

double figure(const Answer& answer, const char* id) {
    const AskedFigure* one = answer.figure(id);
    return one && one->value ? *one->value : std::numeric_limits<double>::quiet_NaN();
}

/// A knob that nobody knows but for the range that it is within.
struct Lost {
    SeekKnob at;
    double low;
    double high;
};

/// Seeds those knobs anywhere in their ranges, finds them again, and holds them to a part of their travel.
void findsAgain(Patch patch, const std::vector<Lost>& lost, std::uint32_t seed, double bound) {
    const Library& library = workspace().library;
    for (const Lost& one : lost)
        patch = applyEdit(patch, SetUnknown{one.at.post, one.at.knob, Unknown{one.low, one.high}}).value();
    AsRecordedOptions options;
    options.seconds = 4.0;
    const auto recorded = renderAsRecorded(patch, library, seed, options);
    QVERIFY2(recorded.has_value(), recorded ? "" : recorded.error().text().c_str());
    const auto found = fitToRecording(patch, library, sideOf(*recorded), {}); // all that is unknown
    QVERIFY2(found.has_value(), found ? "" : found.error().text().c_str());
    QCOMPARE(found->sought.knobs.size(), lost.size());
    QVERIFY2(found->after < found->before || found->before < 1.0,
             qPrintable(QStringLiteral("%1 dB, before %2").arg(found->after).arg(found->before)));
    qInfo("unlike by %.2f dB, before %.2f", found->after, found->before);
    for (const FoundKnob& knob : found->sought.knobs) {
        const auto truth = std::ranges::find_if(recorded->truth.knobs, [&](const RecordedTruth::Knob& one) {
            return one.post == knob.post && one.knob == knob.knob;
        });
        QVERIFY(truth != recorded->truth.knobs.end());
        const Scale& scale = library.part(*patch.post(knob.post))->knob(knob.knob)->scale;
        const double off = scale.toFraction(knob.value) - scale.toFraction(truth->real);
        const bool inside = truth->real >= knob.low && truth->real <= knob.high;
        qInfo("%s.%s was at %s, found at %s (%s to %s), %.3f of the travel off", knob.post.c_str(), knob.knob.c_str(),
              scale.text(truth->real).c_str(), scale.text(knob.value).c_str(), scale.text(knob.low).c_str(),
              scale.text(knob.high).c_str(), off);
        QVERIFY2(std::abs(off) < bound && (inside || std::abs(off) < 0.02),
                 qPrintable(QStringLiteral("%1.%2 is off by %3 of its travel")
                                .arg(QString::fromStdString(knob.post), QString::fromStdString(knob.knob))
                                .arg(off)));
    }
    // It is taken into the patch as one step.
    const auto taken = applyEdits(patch, found->edits);
    QVERIFY(taken.has_value());
    for (const Lost& one : lost) {
        const Post& post = *taken->post(one.at.post);
        QVERIFY(post.unknown.contains(one.at.knob)); // narrowed, as it was found
        QVERIFY(*post.unknown.at(one.at.knob).low <= post.knobs.at(one.at.knob));
        QVERIFY(*post.unknown.at(one.at.knob).high >= post.knobs.at(one.at.knob));
    }
}

} // namespace

class FitTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theSameSeedGivesTheSameRecording() {
        const Library& library = workspace().library;
        AsRecordedOptions options;
        options.seconds = 0.5;
        const auto one = renderAsRecorded(lamp(), library, 7, options);
        const auto other = renderAsRecorded(lamp(), library, 7, options);
        const auto third = renderAsRecorded(lamp(), library, 8, options);
        QVERIFY(one->mix == other->mix && one->mix != third->mix);
        QVERIFY(one->truth.json() == other->truth.json());
        options.unknown = {"nobody.knows"};
        QVERIFY(!renderAsRecorded(lamp(), library, 7, options).has_value());
        options.unknown = {"filter.mode"};
        QVERIFY(!renderAsRecorded(lamp(), library, 7, options).has_value());
    }

    void whatWasSeededIsMeasured() {
        const Library& library = workspace().library;
        AsRecordedOptions options;
        options.seconds = 6.0;
        options.knobs = 0.0;
        options.tracking = 0.0;
        for (const std::uint32_t seed : {1u, 2u, 3u}) {
            const auto recorded = renderAsRecorded(demo("kick.json"), library, seed, options);
            RealOptions how;
            how.seconds = 6.0;
            const auto pair = pairUp(demo("kick.json"), library, sideOf(*recorded), how);
            QVERIFY2(pair.has_value(), pair ? "" : pair.error().text().c_str());
            QVERIFY(pair->byWave);
            QVERIFY2(std::abs(pair->offset - recorded->truth.start) < 1.0 / 48000.0,
                     qPrintable(QStringLiteral("%1 for %2").arg(pair->offset).arg(recorded->truth.start)));
            QCOMPARE(pair->inverted, recorded->truth.inverted);
            QVERIFY2(std::abs(pair->drift - recorded->truth.clock) < 2.0,
                     qPrintable(QStringLiteral("%1 for %2").arg(pair->drift).arg(recorded->truth.clock)));
            const Answer answer = askReal(*pair, how);
            QVERIFY(std::abs(figure(answer, "gain-decibels") - recorded->truth.gain) < 0.1);
        }
    }

    void differencesAreSaidInWords() {
        const Library& library = workspace().library;
        // A case whose oscillator is 40 cents flat and whose decay is half as long.
        Patch alone = demo("kick.json");
        for (Post& post : alone.posts)
            if (post.id == "mixer") post.knobs["level-2"] = post.knobs["level-3"] = 0.0; // one drum
        Patch other = alone;
        AsRecordedOptions options;
        options.seconds = 4.0;
        options.knobs = options.tracking = 0.0;
        const auto truth = [&](const Patch& real) {
            const auto recorded = renderAsRecorded(real, library, 5, options);
            RealOptions how;
            how.seconds = 4.0;
            const auto pair = pairUp(alone, library, sideOf(*recorded), how);
            return pair ? askReal(*pair, how) : Answer{};
        };
        const Answer same = truth(other);
        QVERIFY2(std::abs(figure(same, "tail-cents")) < 3.0 || std::isnan(figure(same, "tail-cents")),
                 same.verdict.str().c_str());
        for (Post& post : other.posts)
            if (post.id == "level-a") post.knobs["decay"] = 0.5 * knobValue(post, *library.part(post)->knob("decay"));
        const Answer shorter = truth(other);
        std::string all = shorter.verdict.str();
        for (const Sentence& one : shorter.also) all += "; " + one.str();
        QVERIFY2(all.find("shorter") != std::string::npos, all.c_str());
        // A recording that has nothing to do with it, and a silent one, are refused.
        Trace silent;
        silent.name = "silent";
        silent.rate = 48000.0;
        silent.volts.assign(96000, 0.0f);
        QVERIFY(!pairUp(demo("kick.json"), library, silent, {}).has_value());
    }

    void aKickIsFoundAgain() {
        Patch kick = demo("kick.json");
        for (Post& post : kick.posts)
            if (post.id == "mixer") post.knobs["level-2"] = post.knobs["level-3"] = 0.0; // of its three, one
        findsAgain(
            kick,
            {{{"level-a", "decay"}, 0.15, 1.2}, {{"bend-a", "decay"}, 0.02, 0.15}, {{"osc-a", "fm-amount"}, 20, 70}}, 3,
            0.05);
    }
    void aLeadIsFoundAgain() {
        findsAgain(demo("sync-lead.json"), {{{"filter", "cutoff"}, 1200, 9000}, {{"scale", "amount"}, 10, 80}}, 4,
                   0.05);
    }
    void aVowelIsFoundAgain() {
        findsAgain(demo("vowel-voice.json"), {{{"band", "cutoff"}, 250, 1500}, {{"band", "resonance"}, 30, 85}}, 5,
                   0.05);
    }

    /// The recording of one output says what its module does beside its description; once that is kept, nothing of it
    /// is left.
    void aModuleIsCalibratedByItsOutput() {
        PatchMaker maker;
        maker.timing(0.9).post("osc", "keel", "a").post("out", "harbour", "out");
        maker.tie("tracks.pitch-1", "osc.voct").tie("osc.saw", "out.left");
        Pattern wide{"tracks", {{"notes", {}}}, {}};
        for (const int note : {38, 45, 50, 57, 62, 69, 74, 50})
            wide.tracks[0].steps.push_back({Step::Kind::Note, note, 0.9});
        wide.tracks[0].stride.division = 2;
        const Patch patch = maker.pattern(wide).make();
        const JackRef saw{"osc", "saw"};
        const Library& library = workspace().library;
        const std::string id = patch.post("osc")->module;
        Library metal = library;
        metal.add(*withTracking(*library.module(id), "a", "voct", 14.0));
        metal.add(*withTrim(*metal.module(id), "a", "saw", {-0.8, 0.04}));
        ListenOptions how;
        how.seconds = 6.0;
        how.realCase = true;
        Trace real = (*listen(patch, metal, {saw}, how))[0];
        real.name = "recording";
        Asking asking;
        asking.question = Question::Real;
        asking.jacks = {saw};
        asking.seconds = 6.0;
        asking.recordings = {std::make_shared<const Trace>(real)};
        const auto answer = answerTo(asking, &patch, library);
        QVERIFY2(answer.has_value(), answer ? "" : answer.error().text().c_str());
        QVERIFY2(answer->offers.size() >= 2, answer->verdict.str().c_str());
        ModuleInfo found = *library.module(id);
        for (const AskedOffer& offer : answer->offers) {
            QVERIFY2(offer.change && offer.module == id && offer.edits.empty(), offer.label.str().c_str());
            found = offer.change(found).value();
            qInfo("%s", offer.label.str().c_str());
        }
        const JackInfo& input = *found.part("a")->jack("voct");
        const JackInfo& output = *found.part("a")->jack("saw");
        const double cents = 1200.0 * (1.0 / input.scaling.gain - 1.0);
        QVERIFY2(std::abs(cents - 14.0) < 1.0, qPrintable(QString::number(cents)));
        const double decibels = 20.0 * std::log10(output.scaling.gain);
        QVERIFY2(std::abs(decibels + 0.8) < 0.1, qPrintable(QString::number(decibels)));
        QVERIFY2(std::abs(output.scaling.offset - 0.04) < 0.005, qPrintable(QString::number(output.scaling.offset)));
        Library learned = library;
        learned.add(found);
        const auto again = answerTo(asking, &patch, learned);
        QVERIFY(again);
        for (const AskedOffer& offer : again->offers) QFAIL(offer.label.str().c_str());
        // Of an input, and of the way out, nothing is a module's own.
        asking.jacks = {{"out", "left"}};
        const Answer ofTheWayOut = answerTo(asking, &patch, library).value();
        for (const AskedOffer& offer : ofTheWayOut.offers) QVERIFY(!offer.change);
    }

    void whatCannotBeFoundIsRefused() {
        const Library& library = workspace().library;
        Trace some;
        some.name = "some";
        some.rate = 48000.0;
        for (int i = 0; i < 96000; ++i) some.volts.push_back(static_cast<float>(std::sin(0.05 * i)));
        QVERIFY(!fitToRecording(demo("kick.json"), library, some, {}).has_value()); // no knob is unknown
        FitOptions switches;
        switches.knobs = {{"osc-a", "nobody"}};
        QVERIFY(!fitToRecording(demo("kick.json"), library, some, switches).has_value());
    }
};

QTEST_GUILESS_MAIN(FitTest)
#include "fit_test.moc"
