// Building in the window: every shipped patch from an empty chart, three of them by mouse.
#include "app/opened.h"
#include "library/check.h"
#include "library/midi_file.h"
#include "library/tie.h"
#include "log/differences.h"
#include "shell/patch_dialog.h"
#include "time/scenes_dialog.h"
#include "time/time_place.h"
#include "timing/scenes.h"

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

const Post* named(const Patch& patch, const std::string& name) {
    const auto it = std::ranges::find(patch.posts, name, &Post::name);
    return it == patch.posts.end() ? nullptr : &*it;
}

/// An empty chart in the case of a patch.
void startIn(Opened& o, const Patch& wanted) {
    const QString name = QString::fromStdString(workspace().cases.at(wanted.caseId).name);
    QAction* action = o.entry(QStringLiteral("New patch in › ") + name);
    QVERIFY(action);
    action->trigger();
    QVERIFY(o.patch().posts.empty());
    QCOMPARE(o.patch().caseId, wanted.caseId);
}

/// Takes a part out of the case by the menu, and names it.
void addPost(Opened& o, const Post& wanted) {
    const Case& housing = workspace().cases.at(o.patch().caseId);
    const Slot& slot = *housing.slot(wanted.slot);
    const ModuleInfo& module = *workspace().library.module(slot.module);
    QString text = QString::fromStdString(module.description.name);
    if (module.parts.size() > 1) text += QStringLiteral(": ") + QString::fromStdString(module.part(wanted.part)->name);
    // Two modules of a kind read alike; the one in the right place is taken.
    QMenu* menu = nullptr;
    for (QAction* top : o.window.menuBar()->actions())
        for (QAction* entry : top->menu()->actions())
            if (entry->menu() && entry->text().remove(QLatin1Char('&')) == QLatin1String("Add from the case"))
                menu = entry->menu();
    QVERIFY(menu);
    Q_EMIT menu->aboutToShow();
    std::size_t before = o.patch().posts.size();
    int place = 0; // among the free ones that read alike
    for (const Slot& other : housing.slots) {
        if (&other == &slot) break;
        const bool used = std::ranges::any_of(
            o.patch().posts, [&](const Post& p) { return p.slot == other.id && p.part == wanted.part; });
        if (other.module == slot.module && !used && other.row == slot.row) ++place;
    }
    QAction* found = nullptr;
    for (QAction* action : menu->actions())
        if (action->text() == text + QStringLiteral("  (row %1)").arg(slot.row) && place-- == 0) found = action;
    QVERIFY2(found, qPrintable(text));
    found->trigger();
    QCOMPARE(o.patch().posts.size(), before + 1);
    QCOMPARE(o.patch().posts.back().slot, wanted.slot);
    answerInput({QString::fromStdString(wanted.name), QString::fromStdString(wanted.voice), QString()});
    o.action(QStringLiteral("describe-post"))->trigger();
    QCOMPARE(o.patch().posts.back().name, wanted.name);
}

/// Sets all knobs of a post as they stand in the wanted patch, by pasting them as text.
void setKnobs(Opened& o, const Post& wanted) {
    if (wanted.knobs.empty()) return;
    const PartInfo& part = *workspace().library.part(wanted);
    QStringList lines;
    for (const auto& [id, value] : wanted.knobs) {
        const Scale& scale = part.knob(id)->scale;
        const QString text =
            scale.taper == Taper::Switch ? QString::fromStdString(scale.text(value)) : QString::number(value, 'g', 12);
        lines << QString::fromStdString(id) + QStringLiteral(" = ") + text;
    }
    QGuiApplication::clipboard()->setText(lines.join(QLatin1Char('\n')));
    o.window.selection().choosePost(named(o.patch(), wanted.name)->id);
    o.action(QStringLiteral("paste-settings"))->trigger();
}

void chooseSources(Opened& o, const Post& wanted) {
    const auto choose = [&](const char* object, const std::string& text) {
        if (text.empty()) return;
        o.window.selection().choosePost(named(o.patch(), wanted.name)->id);
        auto* box = o.place().inspector().findChild<QComboBox*>(QLatin1String(object));
        QVERIFY(box);
        const int index = box->findText(QString::fromStdString(text));
        QVERIFY(index > 0);
        box->setCurrentIndex(index);
        Q_EMIT box->activated(index);
    };
    choose("source-recording", wanted.sample);
    choose("source-tuning", wanted.tuning);
}

/// The head of the patch, in its dialog.
void describe(Opened& o, const Patch& wanted) {
    answerDialog<PatchDialog>([&](PatchDialog& dialog) {
        dialog.findChild<QLineEdit*>(QStringLiteral("title"))->setText(QString::fromStdString(wanted.title));
        dialog.findChild<QComboBox*>(QStringLiteral("key"))->setCurrentText(QString::fromStdString(wanted.key));
        dialog.findChild<QPlainTextEdit*>(QStringLiteral("about"))->setPlainText(QString::fromStdString(wanted.about));
    });
    o.action(QStringLiteral("describe-patch"))->trigger();
}

/// Cables under their headings with their notes, and every line of every variation.
QStringList sentencesOf(const Patch& wanted) {
    const Library& library = workspace().library;
    QStringList sentences;
    std::pair<std::string, std::string> heading;
    for (const Cable& cable : wanted.cables) {
        if (heading != std::pair(cable.voice, cable.step)) {
            heading = {cable.voice, cable.step};
            sentences << QString::fromStdString("# " + cable.voice + " · " + cable.step);
        }
        sentences << QString::fromStdString(tieName(cable.from, wanted, library) + " to " +
                                            tieName(cable.to, wanted, library));
        if (!cable.note.empty()) sentences << QString::fromStdString("note: " + cable.note);
    }
    for (const auto& shared : wanted.patterns) {
        const Pattern& pattern = *shared;
        for (int v = 0; v <= static_cast<int>(pattern.others.size()); ++v)
            for (const bool lane : {false, true}) {
                const std::size_t lines = lane ? pattern.lanesOf(v).size() : pattern.tracksOf(v).size();
                for (int i = 0; i < static_cast<int>(lines); ++i)
                    sentences << QStringLiteral("%1 %2 %3 %4: %5")
                                     .arg(QString::fromStdString(wanted.post(pattern.post)->name),
                                          lane ? QStringLiteral("lane") : QStringLiteral("track"))
                                     .arg(i + 1)
                                     .arg(QChar(u'a' + v))
                                     .arg(QString::fromStdString(lineText(pattern, {pattern.post, lane, i}, v)));
            }
    }
    return sentences;
}

/// How lines go through their steps, and their names, in the panel of the Time place.
void setStrides(Opened& o, const Patch& wanted) {
    auto& time = *dynamic_cast<TimePlace*>(o.window.place(QStringLiteral("time")));
    o.window.showPlace(QStringLiteral("time"));
    const auto part = [&](auto* kind, const char* name) {
        return time.findChild<std::remove_pointer_t<decltype(kind)>*>(QLatin1String(name));
    };
    const auto fill = [&](const std::string& name, const Stride& stride) {
        auto* field = part(static_cast<QLineEdit*>(nullptr), "line-name");
        field->setText(QString::fromStdString(name));
        Q_EMIT field->editingFinished();
        part(static_cast<QSpinBox*>(nullptr), "line-division")->setValue(stride.division);
        part(static_cast<QComboBox*>(nullptr), "line-direction")->setCurrentIndex(static_cast<int>(stride.direction));
        part(static_cast<QSpinBox*>(nullptr), "line-swing")
            ->setValue(static_cast<int>(std::lround(100 * stride.swing)));
        part(static_cast<QSpinBox*>(nullptr), "line-lock")->setValue(stride.lock);
        part(static_cast<QCheckBox*>(nullptr), "line-triplets")->setChecked(stride.triplets);
    };
    for (const auto& shared : wanted.patterns) {
        const Pattern& pattern = *shared;
        const std::string post = named(o.patch(), wanted.post(pattern.post)->name)->id;
        for (int v = 0; v <= static_cast<int>(pattern.others.size()); ++v)
            for (const bool lane : {false, true}) {
                const int lines = static_cast<int>(lane ? pattern.lanesOf(v).size() : pattern.tracksOf(v).size());
                for (int i = 0; i < lines; ++i) {
                    const auto at = static_cast<std::size_t>(i);
                    time.editor().choose({post, lane, i}, {});
                    time.editor().showVariation(post, v);
                    QCoreApplication::processEvents();
                    fill(lane ? pattern.lanesOf(v)[at].name : pattern.tracksOf(v)[at].name,
                         lane ? pattern.lanesOf(v)[at].stride : pattern.tracksOf(v)[at].stride);
                }
            }
    }
    if (!wanted.scenes.empty()) {
        o.action(QStringLiteral("write-scenes"))->trigger();
        auto* dialog = o.window.findChild<ScenesDialog*>();
        QVERIFY(dialog);
        dialog->findChild<QPlainTextEdit*>(QStringLiteral("scenes-text"))
            ->setPlainText(QString::fromStdString(writeScenes(wanted.scenes, wanted, workspace().library)));
        dialog->findChild<QPushButton*>(QStringLiteral("scenes-write"))->click();
    }
    o.window.showPlace(QStringLiteral("patch"));
}

/// What is played, from a MIDI file.
void playFiles(Opened& o, const Patch& wanted) {
    for (const auto& performance : wanted.performances) {
        const QString file = o.folder.filePath(QStringLiteral("played.mid"));
        QVERIFY(writeMidiFile(file.toStdString(), *performance));
        o.window.selection().choosePost(named(o.patch(), wanted.post(performance->post)->name)->id);
        answerFileDialog(file);
        o.action(QStringLiteral("play-midi"))->trigger();
    }
}

/// What was made is what was wanted: title, rows in their order under their headings, steps, what is played, scenes.
void compareAll(const Patch& made, const Patch& wanted) {
    const auto mine = [&](const std::string& post) { return named(made, wanted.post(post)->name)->id; };
    QCOMPARE(made.title, wanted.title);
    QCOMPARE(made.key, wanted.key);
    QCOMPARE(made.about, wanted.about);
    for (std::size_t i = 0; i < wanted.cables.size(); ++i) {
        const Cable& cable = made.cables[i];
        const Cable& other = wanted.cables[i];
        QCOMPARE(cable.from.text(), mine(other.from.post) + "." + other.from.jack);
        QCOMPARE(cable.to.text(), mine(other.to.post) + "." + other.to.jack);
        QCOMPARE(cable.voice, other.voice);
        QCOMPARE(cable.step, other.step);
        QCOMPARE(cable.note, other.note);
    }
    for (const Post& post : wanted.posts) QCOMPARE(named(made, post.name)->voice, post.voice);
    QCOMPARE(made.patterns.size(), wanted.patterns.size());
    for (const auto& pattern : wanted.patterns) {
        Pattern own = *made.pattern(mine(pattern->post));
        own.post = pattern->post;
        if (own == *pattern) continue;
        for (const Difference& one : differences(made, wanted, workspace().library))
            qWarning("%s", inOneLine(one).c_str());
        QFAIL(pattern->post.c_str());
    }
    QCOMPARE(made.performances.size(), wanted.performances.size());
    for (const auto& performance : wanted.performances) {
        const Performance& own = *made.performance(mine(performance->post));
        QCOMPARE(own.messages.size(), performance->messages.size());
        QVERIFY(std::abs(own.tempo - performance->tempo) < 0.01);
        QVERIFY(std::abs(own.lengthBeats - performance->lengthBeats) < 0.003);
        for (std::size_t i = 0; i < own.messages.size(); ++i) {
            QCOMPARE(own.messages[i].message, performance->messages[i].message);
            QVERIFY(std::abs(own.messages[i].beat - performance->messages[i].beat) < 0.003); // 480 ticks a beat
        }
    }
    QCOMPARE(made.scenes.size(), wanted.scenes.size());
    for (std::size_t i = 0; i < wanted.scenes.size(); ++i) {
        QCOMPARE(made.scenes[i].name, wanted.scenes[i].name);
        QCOMPARE(made.scenes[i].beats(), wanted.scenes[i].beats());
        QCOMPARE(made.scenes[i].moves.size(), wanted.scenes[i].moves.size());
    }
}

/// What was made is what was wanted: the same parts, knobs and cables.
void compare(const Patch& made, const Patch& wanted) {
    QCOMPARE(made.posts.size(), wanted.posts.size());
    QCOMPARE(made.cables.size(), wanted.cables.size());
    for (const Post& post : wanted.posts) {
        const Post* mine = named(made, post.name);
        QVERIFY2(mine, post.name.c_str());
        QCOMPARE(mine->slot, post.slot);
        QCOMPARE(mine->part, post.part);
        QCOMPARE(mine->sample, post.sample);
        QCOMPARE(mine->tuning, post.tuning);
        for (const auto& [id, value] : post.knobs) {
            const double got = knobValue(*mine, *workspace().library.part(*mine)->knob(id));
            QVERIFY2(std::abs(got - value) <= 1e-9 + 1e-6 * std::abs(value), (post.name + " " + id).c_str());
        }
    }
    for (const Cable& cable : wanted.cables) {
        const Cable* mine = made.cableInto({named(made, wanted.post(cable.to.post)->name)->id, cable.to.jack});
        QVERIFY2(mine, cable.to.text().c_str());
        QCOMPARE(mine->from.jack, cable.from.jack);
        QCOMPARE(made.post(mine->from.post)->name, wanted.post(cable.from.post)->name);
    }
}

} // namespace

class BuildingWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    void everyPatchFromAnEmptyChart_data() {
        QTest::addColumn<QString>("name");
        for (const auto& entry : std::filesystem::directory_iterator(std::string(LARIAT_SOURCE) + "/data/demo"))
            QTest::newRow(entry.path().stem().c_str()) << QString::fromStdString(entry.path().stem().string());
    }
    void everyPatchFromAnEmptyChart() {
        QFETCH(QString, name);
        const Patch wanted = demo(name.toStdString() + ".json");
        Opened o;
        startIn(o, wanted);
        for (const Post& post : wanted.posts) addPost(o, post);
        for (const Post& post : wanted.posts) {
            setKnobs(o, post); // modes first: they give jacks their words
            chooseSources(o, post);
        }
        describe(o, wanted);
        // The whole patch as a list of sentences, pasted into the tie line at once.
        QGuiApplication::clipboard()->setText(sentencesOf(wanted).join(QLatin1Char('\n')));
        o.place().tieLine().setFocus();
        QTest::keySequence(&o.place().tieLine(), QKeySequence::Paste);
        QVERIFY2(o.patch().cables.size() == wanted.cables.size(), qPrintable(o.window.messages().text()));
        setStrides(o, wanted);
        playFiles(o, wanted);
        compare(o.patch(), wanted);
        compareAll(o.patch(), wanted);
    }

    /// Posts from the case, cables drawn from line to line, jacks picked in the lists, knobs typed.
    void byMouse_data() {
        QTest::addColumn<QString>("name");
        for (const char* name : {"first-voice", "double-strike", "low-pass-gate", "sync-lead"})
            QTest::newRow(name) << QString::fromLatin1(name);
    }
    void byMouse() {
        QFETCH(QString, name);
        const Patch wanted = demo(name.toStdString() + ".json");
        Opened o;
        startIn(o, wanted);
        for (const Post& post : wanted.posts) addPost(o, post);
        const Library& library = workspace().library;
        for (const Post& post : wanted.posts) setKnobs(o, post);
        for (const Cable& cable : wanted.cables) {
            const std::string from = named(o.patch(), wanted.post(cable.from.post)->name)->id;
            const std::string to = named(o.patch(), wanted.post(cable.to.post)->name)->id;
            if (from == to) { // a post is tied to itself by its jacks
                for (const JackRef& jack : {JackRef{from, cable.from.jack}, JackRef{to, cable.to.jack}}) {
                    o.window.selection().choosePost(from);
                    auto* row = o.place().inspector().findChild<QAbstractButton*>(QStringLiteral("jack-") +
                                                                                  QString::fromStdString(jack.jack));
                    QVERIFY(row);
                    QTest::mouseClick(row, Qt::LeftButton);
                }
                continue;
            }
            o.window.selection().choosePost({});
            o.drag(from, to, o.patch().cables.empty() ? 0 : o.patch().cables.back().id);
            EVENTUALLY(o.place().chooser());
            Opened::choose(o.place().chooser()->outputs(),
                           QString::fromStdString(library.jack(wanted, cable.from)->name));
            Opened::choose(o.place().chooser()->inputs(), QString::fromStdString(library.jack(wanted, cable.to)->name));
            QTest::keyClick(o.place().chooser(), Qt::Key_Return);
            EVENTUALLY(!o.place().chooser());
            QVERIFY2(o.tied((from + "." + cable.from.jack).c_str(), (to + "." + cable.to.jack).c_str()),
                     qPrintable(o.window.messages().text()));
        }
        compare(o.patch(), wanted);
        QVERIFY(o.window.document().history().canUndo());
    }

    /// The sentences of a first voice, pasted into an empty chart.
    void aFirstVoiceIsPasted() {
        Opened o;
        o.window.document().startNew("keepers-case");
        QCoreApplication::processEvents();
        auto* begin = o.chart().findChild<QPushButton*>(QStringLiteral("begin-tie"));
        QVERIFY(begin->isVisible());
        QTest::mouseClick(begin, Qt::LeftButton);
        EVENTUALLY(o.place().tieLine().hasFocus());
        QGuiApplication::clipboard()->setText(
            QStringLiteral("osc a saw to filter in 1\nfilter low-pass to vca 1 in\nvca 1 out to line out in l\n"
                           "clock 16ths to contour 1 gate\ncontour 1 out to vca 1 lin cv\nfilter cutoff 800 Hz\n"
                           "contour decay 120 ms"));
        QTest::keyClick(&o.place().tieLine(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(o.patch().cables.size(), std::size_t{5});
        QVERIFY(o.window.messages().text().contains(QStringLiteral("Osc A of Keel VCO pair")));
        QVERIFY(!begin->isVisible());
        EVENTUALLY(o.window.transport().left().volts() > 0.3); // it sounds
        o.settle();
        QVERIFY(!o.found("no-path"));
        QTest::keyClick(&o.chart(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(o.patch().posts.empty()); // one step of the history
    }

    /// By mouse alone: a button of the empty chart, a finder, and the next step that is offered.
    void aFirstVoiceByTheMouse() {
        Opened o;
        o.window.document().startNew("keepers-case");
        QCoreApplication::processEvents();
        QTimer::singleShot(0, [] {
            auto* finder = qobject_cast<Finder*>(QApplication::activeModalWidget());
            QVERIFY(finder);
            for (int i = 0; i < finder->list().count(); ++i)
                if (finder->list().item(i)->text().contains(QStringLiteral("Osc A"))) {
                    finder->list().scrollToItem(finder->list().item(i));
                    const QPoint at = finder->list().visualItemRect(finder->list().item(i)).center();
                    QTest::mouseClick(finder->list().viewport(), Qt::LeftButton, {}, at);
                    QTest::mouseDClick(finder->list().viewport(), Qt::LeftButton, {}, at);
                    return;
                }
            finder->reject();
        });
        QTest::mouseClick(o.chart().findChild<QPushButton*>(QStringLiteral("begin-find-part")), Qt::LeftButton);
        QCOMPARE(o.patch().posts.size(), std::size_t{1});
        o.settle();
        QVERIFY(o.found("no-path")); // said as a next step, with what to do
        QCOMPARE(std::ranges::count_if(o.window.checker().findings(), isProblem), 0);
        QTest::mouseClick(o.chart().viewport(), Qt::LeftButton, {}, o.chart().fixPoint("no-path"));
        QCOMPARE(o.patch().cables.size(), std::size_t{1});
        EVENTUALLY(o.window.transport().left().volts() > 0.3);
    }
};

QTEST_MAIN(BuildingWindowTest)
#include "building_window_test.moc"
