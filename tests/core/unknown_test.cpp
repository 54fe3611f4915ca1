// Knobs that nobody wrote down: kept, counted, said in sentences and on the sheet, tried at a guess, and asked for.
#include "building/capacity.h"
#include "building/nobody_knows.h"
#include "building/rehouse.h"
#include "building/sentences.h"
#include "building/voice.h"
#include "engine/render.h"
#include "findings/finding.h"
#include "library/check.h"
#include "library/unknowns.h"
#include "library/workspace.h"
#include "log/differences.h"
#include "measure/measure.h"
#include "plan/telling.h"
#include "sheet/sheet.h"
#include "support/patches.h"

#include <QtTest>

#include <numbers>

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}

/// The lead after these sentences.
Result<Patch> told(const std::string& sentences, const Patch& patch = lamp()) {
    return readSentences(sentences, patch, library(), workspace().housing(patch))
        .and_then([&](const Sentences& said) { return applyEdits(patch, said.edits); })
        .and_then([&](Patch made) { return checkPatch(std::move(made), library()); });
}

/// What is found once it has run.
std::vector<Finding> findings(const Patch& patch) {
    return findEverything(*observe(patch, library(), workspace().housing(patch), 6.0), {})->open;
}

} // namespace

class UnknownTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void whatIsUnknownIsKept() {
        const auto patch = told("filter cutoff unknown; filter resonance between 9:00 and 11:00");
        QVERIFY2(patch, patch ? "" : patch.error().text().c_str());
        const std::string text = writePatch(*patch);
        QVERIFY(text.find("\"version\": 2") != std::string::npos);
        const auto again = readPatch(text).and_then([](Patch read) { return checkPatch(std::move(read), library()); });
        QVERIFY(again);
        QVERIFY(*again == *patch);
        const auto all = unknownsOf(*again, library());
        QCOMPARE(all.size(), std::size_t{2});
        QCOMPARE(all[0].knob, std::string("cutoff"));
        QVERIFY(!all[0].narrowed && all[1].narrowed);
        const KnobInfo& resonance = *library().part(*again->post("filter"))->knob("resonance");
        QCOMPARE(clockHand(resonance.scale.toFraction(all[1].low)), std::string("9:00"));
        QCOMPARE(clockHand(resonance.scale.toFraction(all[1].high)), std::string("11:00"));
        // A patch of which all is known is one that older programs read.
        QVERIFY(writePatch(lamp()).find("\"version\": 1") != std::string::npos);
        QCOMPARE(knobCount(lamp(), library()), knobCount(*patch, library()));
        QVERIFY(knobCount(lamp(), library()) > 50);
    }

    void theGuessLiesWhereItMay() {
        const Patch& was = lamp();
        const KnobInfo& cutoff = *library().part(*was.post("filter"))->knob("cutoff");
        const double before = knobValue(*was.post("filter"), cutoff);
        // Nobody knows: it is tried where it stood.
        QCOMPARE(knobValue(*told("filter cutoff unknown")->post("filter"), cutoff), before);
        // Known to be elsewhere: in the middle of that, as the hand sees it.
        const auto moved = told("filter cutoff between 3:00 and 5:00");
        QCOMPARE(clockHand(cutoff.scale.toFraction(knobValue(*moved->post("filter"), cutoff))), std::string("4:00"));
        // Put somewhere, it is known.
        const auto known = told("filter cutoff 412 Hz", *moved);
        QVERIFY(known->post("filter")->unknown.empty());
        const auto back = applyEdit(*moved, SetUnknown{"filter", "cutoff", std::nullopt});
        QVERIFY(back->post("filter")->unknown.empty());
    }

    void badWordsAndFilesAreRefused() {
        for (const char* sentence :
             {"filter cutoff between 11:00 and 9:00", "filter cutoff between 9:00", "filter cutoff between a and b",
              "filter cutoff between 1 Hz and 90 kHz", "filter nothing unknown"})
            QVERIFY2(!told(sentence), sentence);
        const auto refuses = [](const std::string& unknown, const char* says) {
            Patch patch = lamp();
            std::string text = writePatch(patch);
            const auto at = text.find("\"id\": \"filter\"");
            text.insert(at, "\"unknown\": " + unknown + ", ");
            text.replace(text.find("\"version\": 1"), 12, "\"version\": 2");
            const auto read = readPatch(text).and_then([](Patch one) { return checkPatch(std::move(one), library()); });
            if (read) return false;
            if (read.error().text().find(says) == std::string::npos) qWarning("%s", read.error().text().c_str());
            return read.error().text().find(says) != std::string::npos;
        };
        QVERIFY(refuses(R"({"nothing": {}})", "has no knob"));
        QVERIFY(refuses(R"({"cutoff": {"from": 900, "to": 100}})", "turned round"));
        QVERIFY(refuses(R"({"cutoff": {"from": 1e9}})", "outside its range"));
        QVERIFY(refuses(R"({"cutoff": 7})", "unknown"));
        // A locked knob stays as it is.
        const auto locked = applyEdit(lamp(), DescribeKnob{"filter", "cutoff", "", true});
        QVERIFY(!applyEdit(*locked, SetUnknown{"filter", "cutoff", Unknown{}}));
    }

    void theSheetSaysIt() {
        const auto patch = told("filter cutoff unknown; filter resonance between 9:00 and 11:00");
        const auto seen = observe(*patch, library(), workspace().housing(*patch), 2.0);
        QVERIFY(seen);
        const std::string sheet = writeMarkdown(makeSheet(*seen, {}));
        QVERIFY(sheet.find(fmt::format("2 of {} knobs unknown", knobCount(*patch, library()))) != std::string::npos);
        QVERIFY(sheet.find("? anywhere, tried at") != std::string::npos);
        QVERIFY(sheet.find("? between 9:00 and 11:00, tried at") != std::string::npos);
    }

    void whatHangsOnItCannotBeTold() {
        // Closed by a knob at zero: a mistake, if it is known to stand there.
        const auto closed = applyEdit(lamp(), SetKnob{"vca-1", "lin-amount", 0.0});
        const auto about = [](const std::vector<Finding>& all) {
            return std::ranges::find_if(all, [](const Finding& one) {
                return one.post == "vca-1" && one.rule == "zero-attenuator" && !one.fixes.empty();
            });
        };
        const auto known = findings(*closed);
        QVERIFY(about(known) != known.end());
        QVERIFY(isProblem(*about(known)));
        const auto unknown = findings(*applyEdit(*closed, SetUnknown{"vca-1", "lin-amount", Unknown{}}));
        QVERIFY(about(unknown) != unknown.end());
        QVERIFY(!isProblem(*about(unknown)));
        QVERIFY(about(unknown)->reason.str().starts_with("cannot be told"));
    }

    void stepsThatNobodyWroteDownAreTriedAndKept() {
        const auto patch = told("tracks track 1: d3 ? f3! - d4? x?; tracks lane 1: x?.? X...");
        QVERIFY(!patch); // "x?" is no note
        const auto good = told("tracks track 1: d3 ? f3! -? d4?; tracks lane 1: x?.? X...");
        QVERIFY2(good, good ? "" : good.error().text().c_str());
        const Pattern& pattern = *good->pattern("tracks");
        const std::vector<Step>& steps = pattern.tracks.front().steps;
        QVERIFY(steps[1].unknown && steps[1].kind == Step::Kind::Note);
        QCOMPARE(steps[1].note, steps[0].note); // the note before is tried
        QVERIFY(!steps[2].unknown && steps[3].unknown && steps[3].kind == Step::Kind::Rest && steps[4].unknown);
        QCOMPARE(pattern.lanes.front().hits[1], Hit::Unknown);
        const std::string text = writePatch(*good);
        QVERIFY(text.find("\"version\": 3") != std::string::npos);
        const auto again = readPatch(text).and_then([](Patch read) { return checkPatch(std::move(read), library()); });
        QVERIFY(again && *again == *good);
        const UnknownCount count = countUnknown(*good, library());
        QCOMPARE(count.steps, 5);
        QVERIFY(count.any() && count.knobs == 0);
        QCOMPARE(unknownFacts(*good, library()).front().str(), std::string("5 steps unknown"));
        QVERIFY(unknownFacts(lamp(), library()).empty());
        // Of a lane, a hit is tried: it strikes.
        const auto strikes = [](const Patch& one) {
            RenderOptions options;
            options.seconds = 2.0;
            options.probes = {{"tracks", "drum-1"}};
            const auto run = render(one, library(), options);
            return risingEdges(run->probes.at({"tracks", "drum-1"}), run->engineRate).size();
        };
        Pattern known = pattern;
        for (Hit& hit : known.lanes.front().hits)
            if (hit == Hit::Unknown) hit = Hit::Hit;
        QCOMPARE(strikes(*good), strikes(*applyEdit(*good, SetPattern{Shared<Pattern>(known)})));
        // On the sheet they have their question mark, and what they are is said.
        const auto observation = observe(*good, library(), workspace().housing(*good), 1.0);
        QVERIFY(observation);
        const Sheet sheet = makeSheet(*observation, {});
        QVERIFY(std::ranges::any_of(sheet.pattern,
                                    [](const SheetLine& line) { return std::ranges::count(line.steps, "?") == 2; }));
        QVERIFY(!sheet.unknowns.empty());
    }

    void aCableMayHaveAnOpenEnd() {
        const auto patch = told("filter band to ?; ? to filter in 2");
        QVERIFY2(patch, patch ? "" : patch.error().text().c_str());
        QCOMPARE(patch->openEnds.size(), std::size_t{2});
        QVERIFY(patch->openEnds[0].output && !patch->openEnds[1].output);
        QVERIFY(patch->openEnds[0].id != patch->openEnds[1].id);
        QCOMPARE(patch->cables.size(), lamp().cables.size());
        const std::string text = writePatch(*patch);
        const auto again = readPatch(text).and_then([](Patch read) { return checkPatch(std::move(read), library()); });
        QVERIFY(again && *again == *patch);
        QCOMPARE(countUnknown(*patch, library()).ends, 2);
        QVERIFY(openEndText(patch->openEnds[0], *patch, library()).str().starts_with("Filter band-pass to nobody"));
        // It sounds as before.
        RenderOptions options;
        options.seconds = 1.0;
        QVERIFY(render(*patch, library(), options)->left == render(lamp(), library(), options)->left);
        // A cable that is tied at that jack closes it, and only it.
        const auto tied = told("lfo triangle to filter in 2", *patch);
        QVERIFY(tied);
        QCOMPARE(tied->openEnds.size(), std::size_t{1});
        QVERIFY(tied->openEnds[0].output);
        QVERIFY(applyEdit(*tied, RemoveOpenEnd{tied->openEnds[0].id})->openEnds.empty());
        QVERIFY(!applyEdit(*tied, RemoveOpenEnd{77}));
        QVERIFY(applyEdit(*patch, RemovePost{"filter"})->openEnds.empty());
        // Whatever is wrong in a file is said.
        const auto broken = [&](const char* from, const char* to) {
            std::string other = text;
            other.replace(other.find(from), std::string_view(from).size(), to);
            const auto read = readPatch(other).and_then([](Patch p) { return checkPatch(std::move(p), library()); });
            return read ? std::string() : read.error().text();
        };
        QVERIFY(broken("\"from\": \"filter.band\"", "\"from\": \"filter.in-1\"").find("no output") !=
                std::string::npos);
        QVERIFY(broken("\"to\": \"filter.in-2\"", "\"to\": \"filter.nothing\"").find("open-ends/2/to") !=
                std::string::npos);
    }

    /// A voice that nothing brings out is no mistake where a cable may go who knows where.
    void whatAnOpenEndHidesCannotBeTold() {
        Patch cut = lamp();
        const Cable out = *cut.cableInto({"line-out", "left"});
        cut = *applyEdit(cut, RemoveCable{out.id});
        const auto rule = [](const std::vector<Finding>& all) {
            return std::ranges::find_if(
                all, [](const Finding& one) { return one.rule == "no-path" || one.rule == "no-sound"; });
        };
        const auto known = findings(cut);
        QVERIFY(rule(known) != known.end());
        const bool wasProblem = isProblem(*rule(known));
        QVERIFY(wasProblem);
        OpenEnd open;
        open.at = out.from;
        open.output = true;
        const auto unknown = findings(*applyEdit(cut, AddOpenEnd{open}));
        for (const Finding& one : unknown)
            if (one.rule == "no-path" || one.rule == "no-sound")
                QVERIFY2(!isProblem(one) && one.reason.str().starts_with("cannot be told"), one.reason.str().c_str());
    }

    void aPartThatNobodyKnowsStandsInThePatch() {
        const auto patch = told("unknown part grey box; lfo triangle to grey box in; grey box out 1 to filter in 2");
        QVERIFY2(patch, patch ? "" : patch.error().text().c_str());
        const auto post = std::ranges::find(patch->posts, std::string("grey box"), &Post::name);
        QVERIFY(post != patch->posts.end() && isUnknownPart(*post));
        QCOMPARE(countUnknown(*patch, library()).parts, 1);
        // What comes in leaves.
        RenderOptions options;
        options.seconds = 0.5;
        options.probes = {{post->id, "out-1"}, {"lfo", "triangle"}};
        const auto run = render(*patch, library(), options);
        QVERIFY(run);
        QVERIFY(run->probes.at({post->id, "out-1"}) == run->probes.at({"lfo", "triangle"}));
        const auto all = findings(*patch);
        QVERIFY(std::ranges::any_of(all, [&](const Finding& one) {
            return one.rule == "nobody-knows" && one.post == post->id && !isProblem(one);
        }));
        QVERIFY(std::ranges::none_of(
            all, [&](const Finding& one) { return one.rule == "not-in-case" && one.post == post->id; }));
        // In another case, and doubled with its voice, it stays what nobody knows.
        const auto moved = rehouse(*patch, library(), workspace().cases.at("tower-case"));
        QVERIFY(moved && std::ranges::count_if(moved->patch.posts, isUnknownPart) == 1);
        Patch ofLead = *patch;
        ofLead = *applyEdit(ofLead, DescribePost{post->id, post->name, "Lead", ""});
        ofLead.caseId = "tower-case";
        const Patch home = rehouse(ofLead, library(), workspace().cases.at("tower-case"))->patch;
        const auto doubled = duplicateVoice(home, library(), &workspace().cases.at("tower-case"), "Lead", "Lead 2");
        QVERIFY2(doubled, doubled ? "" : doubled.error().text().c_str());
        const auto twice = applyEdits(home, *doubled);
        QVERIFY(twice && std::ranges::count_if(twice->posts, isUnknownPart) == 2);
        // It was an attenuverter: one way in, one way out, so the cables stay.
        const auto free = freeParts(*patch, library(), workspace().housing(*patch));
        const auto fits = std::ranges::find_if(free, [](const FreePart& one) {
            return std::ranges::count(one.part->jacks, true, &JackInfo::output) == 1 &&
                   std::ranges::count(one.part->jacks, false, &JackInfo::output) == 1;
        });
        if (fits != free.end()) {
            const auto known = knownAs(*patch, library(), post->id, *fits)
                                   .and_then([&](const Edits& edits) { return applyEdits(*patch, edits); })
                                   .and_then([](Patch p) { return checkPatch(std::move(p), library()); });
            QVERIFY2(known, known ? "" : known.error().text().c_str());
            QCOMPARE(known->cables.size(), patch->cables.size());
            QVERIFY(known->openEnds.empty());
            QVERIFY(std::ranges::any_of(
                known->posts, [&](const Post& one) { return one.name == "grey box" && one.slot == fits->slot->id; }));
        }
        // Of a part with many jacks nobody can say which: their known ends stay.
        const auto many = std::ranges::find_if(free, [](const FreePart& one) {
            return std::ranges::count(one.part->jacks, SignalKind::Control, &JackInfo::kind) == 0 &&
                   one.part->jacks.size() > 4;
        });
        QVERIFY(many != free.end());
        const auto open = knownAs(*patch, library(), post->id, *many).and_then([&](const Edits& edits) {
            return applyEdits(*patch, edits);
        });
        QVERIFY(open);
        QVERIFY(open->openEnds.size() + open->cables.size() == patch->cables.size());
        QVERIFY(!open->openEnds.empty());
        QVERIFY(!open->openEnds.front().written.empty());
        QVERIFY(!knownAs(*patch, library(), "filter", *many));
    }

    /// Differences tell of it, and bring it over.
    void whatIsUnknownIsADifference() {
        const auto b = told("filter band to ?; unknown part grey box; tracks lane 1: x?..");
        QVERIFY(b);
        const auto all = differences(lamp(), *b, library());
        const auto says = [&](const char* text) {
            return std::ranges::any_of(
                all, [&](const Difference& one) { return inOneLine(one).find(text) != std::string::npos; });
        };
        QVERIFY(says("nobody knows where the cable at Filter band-pass goes"));
        const auto over = broughtOver(lamp(), *b, all, library());
        QVERIFY2(over, over ? "" : over.error().text().c_str());
        QCOMPARE(writePatch(*over), writePatch(*b));
        const auto back = broughtOver(*b, lamp(), differences(*b, lamp(), library()), library());
        QVERIFY(back && writePatch(*back) == writePatch(lamp()));
    }

    void theKnobThatWouldTellMostIsFound() {
        // A filter over its whole range tells more than a little more or less of a decay, and that more than a tuner.
        const auto patch = told("filter cutoff unknown; contour 1 release between 11:00 and 11:10");
        QVERIFY2(patch, patch ? "" : patch.error().text().c_str());
        const auto order = whatTellsMost(*patch, library());
        QVERIFY(order);
        QCOMPARE(order->size(), std::size_t{2});
        QCOMPARE(order->front().unknown.knob, std::string("cutoff"));
        QVERIFY(order->front().decibels > 6.0);
        QVERIFY(order->back().decibels < 0.5 * order->front().decibels);
        QVERIFY(whatTellsMost(lamp(), library())->empty());
        QVERIFY(!whatTellsMost(*patch, library(), 1.0, [](double) { return false; }));
        // The same sound is no distance; half as loud is 6 dB in every tenth of a second and in its band.
        std::vector<float> a(48000);
        for (std::size_t i = 0; i < a.size(); ++i)
            a[i] = static_cast<float>(std::sin(2.0 * std::numbers::pi * 400.0 * static_cast<double>(i) / 48000.0));
        std::vector<float> b = a;
        for (float& v : b) v *= 0.5f;
        QCOMPARE(soundDistance(a, a, 48000), 0.0);
        const double half = soundDistance(a, b, 48000);
        QVERIFY2(half > 6.0 && half < 8.6, qPrintable(QString::number(half)));
    }
};

QTEST_APPLESS_MAIN(UnknownTest)
#include "unknown_test.moc"
