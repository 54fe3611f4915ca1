// The log's computing: patches taken apart and together, what is different, what two people changed, what a take sounds
// like, what is looked for.
#include "library/check.h"
#include "log/both.h"
#include "log/diary.h"
#include "log/merge.h"
#include "log/query.h"
#include "log/take.h"
#include "support/analysis.h"
#include "support/patches.h"
#include "support/seeded.h"
#include "timing/pattern_edits.h"

#include <QtTest>

#include <QDir>

#include <cmath>
#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

const Library& library() {
    return workspace().library;
}

QString str(const std::string& text) {
    return QString::fromStdString(text);
}

std::vector<Patch> demos() {
    std::vector<Patch> out;
    for (const QString& name : QDir(QStringLiteral(LARIAT_SOURCE "/data/demo")).entryList({QStringLiteral("*.json")}))
        out.push_back(demo(name.toStdString()));
    return out;
}

/// The patch after so many things that people do to one.
Patch changed(const Patch& from, unsigned seed, int times = 12) {
    std::mt19937 random(seed);
    const auto upTo = [&](std::size_t n) { return std::uniform_int_distribution<std::size_t>(0, n - 1)(random); };
    const auto unit = [&] { return std::uniform_real_distribution<double>(0.0, 1.0)(random); };
    Patch patch = from;
    const auto edit = [&](const Edit& one) {
        if (auto made = applyEdit(patch, one))
            if (auto fits = checkPatch(*made, library())) patch = std::move(*fits);
    };
    for (int i = 0; i < times; ++i) {
        if (patch.posts.size() < 3 || patch.cables.size() < 3) break;
        const Post post = patch.posts[upTo(patch.posts.size())];
        const Cable cable = patch.cables[upTo(patch.cables.size())];
        const auto& knobs = library().part(post)->knobs;
        switch (upTo(14)) {
        case 0:
            edit(RemoveCable{cable.id});
            break;
        case 1:
            edit(MoveCable{cable.id, patch.cables[upTo(patch.cables.size())].from, cable.to});
            break;
        case 2:
            edit(ReorderCable{cable.id, static_cast<int>(1 + upTo(patch.cables.size()))});
            break;
        case 3:
            edit(DescribeCable{cable.id, "note " + std::to_string(seed), 30, "red"});
            break;
        case 4:
            edit(RemovePost{post.id});
            break;
        case 5:
            edit(ReorderPost{post.id, static_cast<int>(upTo(patch.posts.size()))});
            break;
        case 6:
            edit(DescribePost{post.id, post.name + " x", "Voice", "a note"});
            break;
        case 7:
            edit(SetScenes{{Scene{"Intro", 4}, Scene{"Swell", static_cast<int>(1 + upTo(9)), 2}}});
            break;
        case 8: {
            Pattern pattern = patternOf(patch, post.id);
            if (pattern.tracks.empty() && pattern.lanes.empty()) break;
            if (!pattern.tracks.empty())
                pattern =
                    withLine(pattern, {post.id, false, 0}, static_cast<int>(upTo(3)), "d3 - f3! c4").value_or(pattern);
            if (!pattern.lanes.empty()) pattern = withLine(pattern, {post.id, true, 0}, 0, "x.xX").value_or(pattern);
            edit(SetPattern{pattern});
            break;
        }
        case 9:
            edit(KeepSetting{"A", {{post.id, {}}}});
            edit(AskOnSheet{{"same", {cable.from}, "lanes"}, upTo(4) > 0});
            break;
        case 10:
            edit(StyleHeading{{cable.voice, cable.step, "moss", true}});
            break;
        case 11:
            if (!knobs.empty()) {
                edit(SetUnknown{post.id, knobs[upTo(knobs.size())].id, Unknown{}});
                edit(LearnController{{static_cast<int>(upTo(100)), post.id, knobs[upTo(knobs.size())].id}});
                edit(DescribeKnob{post.id, knobs[upTo(knobs.size())].id, "so", true});
            }
            break;
        case 12:
            patch.seed = static_cast<std::uint32_t>(upTo(1000));
            patch.about = "another";
            edit(DismissFinding{{"hot-line", cable.id, "", "meant"}});
            break;
        default:
            if (knobs.empty()) break;
            const KnobInfo& knob = knobs[upTo(knobs.size())];
            if (!knob.momentary) edit(SetKnob{post.id, knob.id, knob.scale.toValue(unit())});
        }
    }
    return patch;
}

std::vector<QString> lines(const std::vector<Difference>& all) {
    std::vector<QString> out;
    for (const Difference& one : all) out.push_back(str(inOneLine(one)));
    return out;
}

QString joined(const std::vector<Difference>& all) {
    QStringList out;
    for (const QString& line : lines(all)) out << line;
    return out.join(QLatin1Char('\n'));
}

std::vector<float> stereo(std::size_t samples, const std::function<double(double)>& at) {
    std::vector<float> mix(2 * samples);
    for (std::size_t i = 0; i < samples; ++i)
        mix[2 * i] = mix[2 * i + 1] = static_cast<float>(at(static_cast<double>(i) / kTakeRate));
    return mix;
}

} // namespace

class LogTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    /// Cables of either on one chart, in the order of the second, with what became of each.
    void bothStandOnOneChart() {
        Patch after = lamp();
        const Cable gone = after.cables[3];
        const Cable moved = after.cables[5];
        after = *applyEdit(after, RemoveCable{gone.id});
        const JackInfo* other = nullptr;
        const PartInfo& part = *workspace().library.part(*after.post(moved.from.post));
        for (const JackInfo& jack : part.jacks)
            if (jack.output && jack.id != moved.from.jack) other = &jack;
        QVERIFY(other);
        after = *applyEdit(after, MoveCable{moved.id, {moved.from.post, other->id}, moved.to});
        after = *applyEdit(after, SetKnob{"filter", "cutoff", 655.0});
        const Both both = bothOf(lamp(), after, library());
        QCOMPARE(both.posts.size(), lamp().posts.size());
        QCOMPARE(both.rows.size(), lamp().cables.size());
        const auto row = [&](const JackRef& to) { return *std::ranges::find(both.rows, to, &BothRow::to); };
        QVERIFY(row(gone.to).state == BothRow::State::OnlyBefore);
        QCOMPARE(row(gone.to).before, 4);
        QCOMPARE(row(gone.to).after, 0);
        QCOMPARE(both.rows[3].to, gone.to); // where it was
        QVERIFY(row(moved.to).state == BothRow::State::Moved);
        QCOMPARE(row(moved.to).was, moved.from);
        QCOMPARE(std::ranges::count(both.rows, BothRow::State::Same, &BothRow::state),
                 static_cast<std::ptrdiff_t>(lamp().cables.size()) - 2);
        const auto filter = std::ranges::find(both.posts, std::string("filter"), &BothPost::id);
        QVERIFY(filter->state == BothPost::State::Changed && filter->knobs == 1);
        // A knob that one of them writes down and the other has at its initial place stands the same.
        Patch unwritten = lamp();
        Post& post = *std::ranges::find(unwritten.posts, std::string("filter"), &Post::id);
        const PartInfo& filterPart = *library().part(post);
        const auto usual = std::ranges::find_if(
            filterPart.knobs, [&](const KnobInfo& knob) { return !knob.momentary && !post.knobs.contains(knob.id); });
        QVERIFY(usual != filterPart.knobs.end());
        post.knobs[usual->id] = usual->initial;
        for (const BothPost& one : bothOf(lamp(), unwritten, library()).posts)
            QVERIFY2(one.state == BothPost::State::Same && one.knobs == 0, one.name.c_str());
        // The other way round, what went has come.
        const Both back = bothOf(after, lamp(), library());
        QVERIFY(std::ranges::find(back.rows, gone.to, &BothRow::to)->state == BothRow::State::OnlyAfter);
        for (const BothPost& post : bothOf(lamp(), lamp(), library()).posts)
            QVERIFY(post.state == BothPost::State::Same);
        QVERIFY(bothOf(Patch{}, Patch{}, library()).rows.empty());
    }

    void takenApartAndTogetherItIsTheSame() {
        for (const Patch& patch : demos()) {
            const auto again = putTogether(takeApart(patch));
            QVERIFY2(again, again ? "" : again.error().text().c_str());
            QVERIFY2(*again == patch, patch.title.c_str());
        }
    }

    /// The law: bringing everything over gives the other one, in whichever order it stood.
    void bringingAllOverGivesTheOther() {
        std::vector<Patch> all = demos();
        for (unsigned seed = 1; seed <= 60; ++seed) all.push_back(changed(all[seed % all.size()], seed));
        const auto law = [](const Patch& a, const Patch& b, const QString& which) {
            const auto made = broughtOver(a, b, differences(a, b, library()), library());
            QVERIFY2(made, qPrintable(which + (made ? QString() : str(made.error().text()))));
            QVERIFY2(writePatch(*made) == writePatch(b), qPrintable(which));
            QVERIFY(differences(*made, b, library()).empty());
        };
        for (std::size_t i = 0; i < all.size(); ++i) {
            const Patch& b = i % 3 == 0 ? all[(i + 7) % all.size()] : changed(all[i], static_cast<unsigned>(1000 + i));
            law(all[i], b, QStringLiteral("%1: %2").arg(i).arg(str(all[i].title)));
            law(b, all[i], QStringLiteral("%1 back").arg(i));
        }
    }

    /// Some of it: what is chosen stands as in the other, the rest as it was; what cannot be is refused with a
    /// sentence.
    void someOfItIsBroughtOver() {
        const std::vector<Patch> all = demos();
        int made = 0;
        for (unsigned seed = 1; seed <= 60; ++seed) {
            const Patch& a = all[seed % all.size()];
            const Patch b = changed(a, seed);
            std::vector<Difference> chosen;
            std::vector<Difference> left;
            for (const Difference& one : differences(a, b, library()))
                (left.size() > chosen.size() ? chosen : left).push_back(one);
            const auto part = broughtOver(a, b, chosen, library());
            if (!part) {
                QVERIFY(!part.error().reason.empty());
                continue;
            }
            ++made;
            const Aspects now = takeApart(*part);
            const Aspects wanted = takeApart(b);
            for (const Difference& one : chosen)
                for (const AspectKey& key : one.keys)
                    if (key.field != kOrder && key.field != "id") {
                        const Json* is = now.value(key);
                        const Json* should = wanted.value(key);
                        QVERIFY2(is && should ? *is == *should : is == should,
                                 qPrintable(str(key.list + " " + key.element + " " + key.field)));
                    }
            // What is still different is no more than what was left.
            QVERIFY2(differences(*part, b, library()).size() <= left.size() + 1,
                     qPrintable(joined(differences(*part, b, library()))));
        }
        QVERIFY2(made > 50, qPrintable(QString::number(made)));
    }

    void itIsSaidAsPeopleSayIt() {
        const Patch a = lamp();
        const auto said = [&](const std::vector<Edit>& edits) {
            const auto b = applyEdits(a, edits);
            if (!b) qFatal("%s", b.error().text().c_str());
            return joined(differences(a, *b, library()));
        };
        // 1480 Hz is 600 (ln 1480/20)/(ln 20000/20) minutes from the left on a dial of three decades.
        const KnobInfo& cutoff = *library().part(*a.post("filter"))->knob("cutoff");
        const double minutes = 600.0 * (cutoff.scale.toFraction(655.0) - cutoff.scale.toFraction(1480.0));
        QCOMPARE(said({SetKnob{"filter", "cutoff", 655.0}}),
                 QStringLiteral("Filter Cutoff %1 minutes (1480 Hz → 655 Hz)").arg(std::lround(minutes)));
        const int cable = a.cableInto({"filter", "in-1"})->id;
        const QString moved = said({MoveCable{cable, {"osc-a", "pulse"}, {"filter", "in-1"}}});
        QVERIFY2(
            moved ==
                QStringLiteral("cable %1 into Filter in 1 moved from Follower saw to Follower pulse").arg(a.row(cable)),
            qPrintable(moved));
        QCOMPARE(said({SetKnob{"contour-2", "type", 0}}).section(QLatin1Char(':'), 0, 0),
                 QStringLiteral("Contour 2 Type"));
        QVERIFY(said({SetUnknown{"filter", "cutoff", Unknown{}}})
                    .contains(QLatin1String("Filter Cutoff is not known any more")));
        Pattern pattern = *a.pattern("tracks");
        pattern.tracks[0].steps[4].kind = Step::Kind::Rest;
        pattern.tracks[0].steps[0].note += 12;
        const QString steps = said({SetPattern{pattern}});
        QVERIFY2(steps.contains(QLatin1String("step 1 an octave up; step 5 rests")) &&
                     steps.contains(QLatin1String("(2 of ")),
                 qPrintable(steps));
        const QString scenes = said({SetScenes{{Scene{"Swell", 16}}}});
        QVERIFY2(scenes.contains(QLatin1String("scene Swell is new")), qPrintable(scenes));
        QVERIFY(said({RemovePost{"lfo"}}).contains(QLatin1String("only before: LFO")));
        QVERIFY(said({DescribeCable{cable, "mind the gap", 50, "red"}}).contains(QLatin1String("the note on cable")));
    }

    void whatTwoPeopleChangedComesTogether() {
        const Patch base = lamp();
        const auto after = [&](const std::vector<Edit>& edits) { return *applyEdits(base, edits); };
        const int cable = base.cableInto({"filter", "in-1"})->id;
        const Patch mine = after({SetKnob{"filter", "cutoff", 500.0}, RemovePost{"lfo"}, SetTitle{"Mine"}});
        const Patch theirs = after({SetKnob{"filter", "resonance", 50.0}, SetKnob{"filter", "cutoff", 900.0},
                                    MoveCable{cable, {"osc-a", "pulse"}, {"filter", "in-1"}}});
        const auto merged = merge(base, mine, theirs, library());
        QVERIFY2(merged, merged ? "" : merged.error().text().c_str());
        QCOMPARE(merged->patch.title, std::string("Mine"));
        QCOMPARE(merged->patch.post("filter")->knobs.at("resonance"), 50.0);
        QCOMPARE(merged->patch.post("filter")->knobs.at("cutoff"), 500.0); // mine stays
        QCOMPARE(merged->patch.cableInto({"filter", "in-1"})->from.jack, std::string("pulse"));
        QVERIFY(!merged->patch.post("lfo"));
        QCOMPARE(merged->conflicts.size(), std::size_t{1});
        QVERIFY(str(inOneLine(merged->conflicts[0].theirs)).startsWith(QLatin1String("Filter Cutoff")));
        // They tie what I took away.
        const Patch tied = after({TieCable{Cable{0, {"lfo", "sine"}, {"vca-1", "cv"}, {}, {}, {}, 0, {}, {}}, 0},
                                  SetKnob{"vca-1", "offset", 10.0}});
        if (!base.cableInto({"vca-1", "cv"})) {
            const auto other = merge(base, mine, tied, library());
            QVERIFY(other && !other->conflicts.empty() && !other->patch.post("lfo"));
        }
        // The same change on both sides is none.
        const auto same = merge(base, mine, mine, library());
        QVERIFY(same && same->conflicts.empty() && same->brought.empty() && same->patch == mine);
        // Random: with no conflict, both ways round give the same knobs and cables.
        int clean = 0;
        const std::vector<Patch> all = demos();
        for (unsigned seed = 1; seed <= 40; ++seed) {
            const Patch& from = all[seed % all.size()];
            const auto one = merge(from, changed(from, seed, 4), changed(from, seed + 500, 4), library());
            if (one && one->conflicts.empty()) ++clean;
            if (one) QVERIFY(checkPatch(one->patch, library()));
        }
        QVERIFY2(clean > 5, qPrintable(QString::number(clean)));
    }

    /// Figures against closed forms.
    void aTakeIsHeard() {
        // A sine of 146.83 Hz at -20 dBFS: BS.1770 reads -20 - 3.01 dB, both sides +3.01, within its filter's 0.3 dB.
        const TakeSound tone =
            hear(stereo(4 * 48000, [](double t) { return 0.1 * std::sin(2.0 * kPi * 146.832 * t) + 0.01; }));
        QVERIFY2(std::abs(tone.figures.at("level") + 20.7) < 0.7,
                 qPrintable(QString::number(tone.figures.at("level"))));
        QVERIFY(std::abs(tone.figures.at("note") - 50.0) < 0.02);
        QVERIFY(std::abs(tone.figures.at("peak") - 1.1) < 0.005);
        QVERIFY(std::abs(tone.figures.at("dc") - 0.1) < 0.002);
        QVERIFY(std::abs(tone.figures.at("brightness") - 146.8) < 5.0);
        QVERIFY(!tone.figures.contains("decay") && !tone.figures.contains("tail"));
        // Hits that fall 20 dB in 230 ms: e^(-t / 0.1) is 20 dB down after 0.1 ln 10.
        const TakeSound hits = hear(stereo(8 * 48000, [](double t) {
            const double since = std::fmod(t, 1.0);
            return 0.5 * std::exp(-since / 0.1) * std::sin(2.0 * kPi * 55.0 * since);
        }));
        QVERIFY2(std::abs(hits.figures.at("decay") - 0.230) < 0.02,
                 qPrintable(QString::number(hits.figures.at("decay"))));
        // Two tones of one level, one above 2 kHz: 3.01 dB below all.
        const TakeSound two = hear(stereo(4 * 48000, [](double t) {
            return 0.1 * (std::sin(2.0 * kPi * 500.0 * t) + std::sin(2.0 * kPi * 5000.0 * t));
        }));
        QVERIFY(std::abs(two.figures.at("treble") + 3.01) < 0.1);
        QVERIFY(std::abs(two.figures.at("brightness") - 2750.0) < 30.0);
        // Silence has no pitch, no loudness and no colour.
        const TakeSound silent = hear(std::vector<float>(96000, 0.0F));
        QCOMPARE(silent.figures.size(), std::size_t{2});
        QCOMPARE(hear({}).figures.size(), std::size_t{0});
    }

    void aSoundIsKeptAndComesBack() {
        const auto mix = stereo(48000, [](double t) { return 0.3 * std::sin(2.0 * kPi * 220.0 * t); });
        const auto flac = encodeSound(mix);
        QVERIFY(flac && flac->starts_with("fLaC"));
        const auto back = decodeSound(*flac);
        QVERIFY(back);
        QCOMPARE(back->size(), mix.size());
        for (std::size_t i = 0; i < mix.size(); ++i) QVERIFY(std::abs((*back)[i] - mix[i]) < 4.0F / 32768.0F);
        QVERIFY(!decodeSound("no sound at all"));
    }

    void whatIsLookedForIsRead() {
        constexpr std::int64_t kMidnight = 1'764'111'600'000; // of a place an hour east
        const auto read = [&](const char* text) {
            const auto made = readQuery(text, kMidnight);
            if (!made) qFatal("%s", made.error().text().c_str());
            return *made;
        };
        const TakeQuery all = read("kick tail D1, decay 300–500 ms, no findings, #slow, rated 4, with keel");
        QCOMPARE(all.words, (std::vector<std::string>{"kick", "keel"}));
        QCOMPARE(all.tags, std::vector<std::string>{"slow"});
        QCOMPARE(all.rating, 4);
        QCOMPARE(all.figures.size(), std::size_t{3});
        QCOMPARE(all.figures[0], (FigureRange{"tail", 25.5, 26.5}));
        QCOMPARE(all.figures[1], (FigureRange{"decay", 0.3, 0.5}));
        QCOMPARE(all.figures[2], (FigureRange{"findings", 0.0, 0.0}));
        QCOMPARE(read("brightness above 2 kHz").figures[0].low, 2000.0);
        QCOMPARE(read("level -12 - -9").figures[0], (FigureRange{"level", -12.0, -9.0}));
        QCOMPARE(*read("today").since, kMidnight);
        QCOMPARE(*read("yesterday").until, kMidnight);
        // 2025-11-26 began at kMidnight where the reader is; the 24th two days before.
        QCOMPARE(*read("since 2025-11-24").since, kMidnight - 2 * 86'400'000LL);
        QCOMPARE(read("a note on the door").words.size(), std::size_t{5}); // words, though one is called like a figure
        QVERIFY(read("").empty() && read(" , ").empty());
        for (const char* bad : {"tail X9", "decay 300-x ms", "since 2025-13-01", "rated 9"})
            QVERIFY2(!readQuery(bad, kMidnight), bad);
    }

    void branchesLieBesideTheLine() {
        const auto line = [](std::int64_t id, std::int64_t parent) {
            return TakeLine{.id = id, .parent = parent, .at = id};
        };
        // 5 came from 3, and so did 4; 6 goes on from 5; 7 is from a take that is gone.
        const std::vector<TakeLine> takes = {line(7, 99), line(6, 5), line(5, 3), line(4, 3), line(3, 1), line(1, 0)};
        QCOMPARE(lanesOf(takes), (std::vector<int>{0, 0, 0, 1, 0, 0}));
    }

    void aRigTellsWhatIsOtherNow() {
        const Patch patch = lamp();
        Rig rig = rigOf(patch, workspace());
        QVERIFY(rigChanges(rig, patch, workspace()).empty());
        const auto again = readRig(writeRig(rig));
        QVERIFY(again && *again == rig);
        rig.modules.begin()->second = "{}";
        std::string used;
        for (auto& [id, text] : rig.modules)
            if (id == patch.posts[0].module) text += " ", used = id;
        const auto changes = rigChanges(rig, patch, workspace());
        QVERIFY(!changes.empty() && str(changes.back().str()).contains(QLatin1String("another one now")));
        QVERIFY(!readRig("[]") && !readRig(R"({"format": "lariat-rig", "version": 1})"));
    }

    void theDiaryTellsADay() {
        DiaryEntry entry;
        entry.take.id = 7;
        entry.take.label = {"bell <low>", "struck & left", {"bell"}, 3};
        entry.time = "21:40";
        entry.from = "first";
        entry.changes = {"Filter Cutoff +40 minutes (412 Hz → 655 Hz)"};
        entry.figures = {{"tail", 26.11}, {"level", -9.12}};
        const QString html = str(diaryAsHtml("Friday", {entry}, inEnglish));
        QVERIFY(html.contains(QLatin1String("bell &lt;low&gt;")) && html.contains(QLatin1String("struck &amp; left")));
        QVERIFY(html.contains(QStringLiteral("tail of the hits D1 +11")) && html.contains(QLatin1String("<svg")));
        const QString markdown = str(diaryAsMarkdown("Friday", {entry}, inEnglish));
        QVERIFY(markdown.contains(QStringLiteral("## 7 · bell <low>")) &&
                markdown.contains(QStringLiteral("from first #bell ●●●")));
        QVERIFY(markdown.contains(QLatin1String("- Filter Cutoff +40 minutes")));
    }
};

QTEST_APPLESS_MAIN(LogTest)
#include "log_test.moc"
