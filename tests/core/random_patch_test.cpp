// Random patches: whatever is tied to whatever, the engine stays finite, inside the rails, and repeats itself.
#include "engine/render.h"
#include "library/check.h"
#include "support/patches.h"

#include <QtTest>

#include <random>

using namespace lariat;
using namespace lariat::test;

namespace {

/// Everything in the case, a random sequence, knobs anywhere, and some thirty cables from anywhere to anywhere.
Patch randomPatch(unsigned seed) {
    std::mt19937 random(seed);
    const auto upTo = [&](std::size_t n) { return std::uniform_int_distribution<std::size_t>(0, n - 1)(random); };
    const auto unit = [&] { return std::uniform_real_distribution<double>(0.0, 1.0)(random); };
    const Library& library = workspace().library;
    Patch patch;
    // Every third one in the smaller case, the others with some twenty posts out of the tower.
    const bool small = seed % 3 == 0;
    patch.caseId = small ? "keepers-case" : "tower-case";
    patch.seed = seed;
    std::vector<JackRef> outputs;
    std::vector<JackRef> inputs;
    for (const Slot& slot : workspace().cases.at(patch.caseId).slots) {
        if (!small && unit() > 0.25) continue;
        for (const PartInfo& part : library.module(slot.module)->parts) {
            Post post{slot.id + "-" + part.id, part.name, slot.id, slot.module, part.id, {}, {}, {}};
            for (const KnobInfo& knob : part.knobs)
                if (unit() < 0.7 && !knob.momentary) post.knobs[knob.id] = knob.scale.toValue(unit());
            for (const JackInfo& jack : part.jacks) (jack.output ? outputs : inputs).push_back({post.id, jack.id});
            if (part.has("sample-player")) post.sample = "rattle";
            patch.posts.push_back(std::move(post));
        }
    }
    std::ranges::shuffle(inputs, random);
    for (std::size_t i = 0; i < std::min<std::size_t>(10 + upTo(40), inputs.size()); ++i)
        patch.cables.push_back(
            {static_cast<int>(i) + 1, outputs[upTo(outputs.size())], inputs[i], {}, {}, {}, 0, {}, {}});
    Track track{"t", {}};
    for (std::size_t i = 0; i < 1 + upTo(12); ++i)
        track.steps.push_back(
            {static_cast<Step::Kind>(upTo(3)), static_cast<int>(24 + upTo(70)), 0.05 + 0.95 * unit(), unit() < 0.3});
    for (const Post& post : patch.posts)
        if (library.part(post)->has("track-sequencer"))
            patch.patterns.emplace_back(Pattern{post.id, {track}, {{"d", hits(unit() < 0.5 ? "x.x" : "x..")}}});
    return patch;
}

} // namespace

class RandomPatchTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void stayFiniteInsideTheRailsAndRepeat() {
        const int count = qEnvironmentVariableIsSet("LARIAT_RANDOM_PATCHES")
                              ? qEnvironmentVariableIntValue("LARIAT_RANDOM_PATCHES")
                              : 400;
        const double seconds = qEnvironmentVariableIsSet("LARIAT_RANDOM_PATCHES") ? 1.0 : 0.25;
        for (int seed = 1; seed <= count; ++seed) {
            const auto patch = checkPatch(randomPatch(static_cast<unsigned>(seed)), workspace().library);
            QVERIFY2(patch, patch ? "" : patch.error().text().c_str());
            RenderOptions options;
            options.seconds = seconds;
            options.fileRate = 0.0;
            for (const Cable& cable : patch->cables) options.probes.push_back(cable.from);
            std::ranges::sort(options.probes);
            options.probes.erase(std::unique(options.probes.begin(), options.probes.end()), options.probes.end());
            const auto made = render(*patch, workspace().library, options);
            QVERIFY(made);
            QVERIFY2(made->faults == 0,
                     qPrintable(QStringLiteral("seed %1: %2").arg(seed).arg(QString::fromStdString(made->faultyPost))));
            for (const auto& [jack, volts] : made->probes)
                for (const float v : volts)
                    if (!(std::abs(v) <= 12.0f))
                        QFAIL(qPrintable(QStringLiteral("seed %1: %2 gives %3 V")
                                             .arg(seed)
                                             .arg(QString::fromStdString(jack.text()))
                                             .arg(static_cast<double>(v))));
            if (seed % 10 == 0) QCOMPARE(render(*patch, workspace().library, options)->left, made->left);
        }
    }
};

QTEST_APPLESS_MAIN(RandomPatchTest)
#include "random_patch_test.moc"
