// Knobs that nobody wrote down: kept, counted, said in sentences and on the sheet, tried at a guess, and asked for.
#include "building/sentences.h"
#include "findings/finding.h"
#include "library/check.h"
#include "library/unknowns.h"
#include "library/workspace.h"
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
        const auto findings = [&](const Patch& patch) {
            return findEverything(*observe(patch, library(), workspace().housing(patch), 6.0), {})->open;
        };
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
