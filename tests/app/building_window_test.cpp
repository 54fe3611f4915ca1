// Building in the window: every shipped patch from an empty chart, three of them by mouse; and the moves of the menus.
#include "app/opened.h"
#include "building/differences.h"
#include "library/check.h"
#include "library/midi_file.h"
#include "library/tie.h"
#include "shell/patch_dialog.h"
#include "time/scenes_dialog.h"
#include "time/time_place.h"
#include "timing/scenes.h"
#include "widgets/finding_card.h"

#include <cmath>

using namespace lariat;
using namespace lariat::test;

namespace {

QString demoFile(const QString& name) {
    return QStringLiteral(LARIAT_SOURCE "/data/demo/%1.json").arg(name);
}

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
        for (const Sentence& one : differences(made, wanted, workspace().library)) qWarning("%s", one.str().c_str());
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

    void insertSplitSwapDouble() {
        Opened o;
        o.window.openCopy(demoFile(QStringLiteral("sync-lead")));
        const std::size_t cables = o.patch().cables.size();
        const auto row = [&](int n) { return o.patch().cables[static_cast<std::size_t>(n - 1)]; };

        const Cable first = row(1);
        o.window.selection().chooseCable(first.id);
        answerFinder({QStringLiteral("Ladder filter")});
        o.action(QStringLiteral("insert"))->trigger();
        QCOMPARE(o.patch().cables.size(), cables + 1);
        QCOMPARE(o.patch().cable(first.id)->to.post, o.window.selection().post());
        QCOMPARE(row(2).to, first.to);

        o.window.selection().chooseCable(first.id);
        answerFinder({QStringLiteral("in 2"), QStringLiteral("Stack")});
        o.action(QStringLiteral("split"))->trigger();
        QCOMPARE(o.patch().cables.size(), cables + 2);
        QCOMPARE(o.patch().cables.back().from.post.empty(), false);

        // Two rows chosen with the mouse and Ctrl, then swapped.
        const Cable a = row(3);
        const Cable b = row(4);
        o.window.selection().chooseCable(a.id);
        o.window.selection().alsoChoose(b.id);
        QCOMPARE(o.window.selection().cables().size(), std::size_t{2});
        o.action(QStringLiteral("swap"))->trigger();
        QCOMPARE(o.patch().cable(a.id)->to, b.to);
        QCOMPARE(o.patch().cable(b.id)->to, a.to);
        o.window.document().history().undo();

        o.window.selection().chooseCable(a.id);
        o.window.selection().alsoChoose(b.id);
        o.action(QStringLiteral("remove-cable"))->trigger();
        QCOMPARE(o.patch().cables.size(), cables);
        o.window.document().history().undo();

        const Post* voiced = nullptr;
        for (const Post& post : o.patch().posts)
            if (!post.voice.empty()) voiced = &post;
        QVERIFY(voiced);
        const std::size_t posts = o.patch().posts.size();
        o.window.selection().choosePost(voiced->id);
        answerInput({QStringLiteral("Second")});
        o.action(QStringLiteral("double-voice"))->trigger();
        QVERIFY2(o.patch().posts.size() > posts, qPrintable(o.window.messages().text()));
        QVERIFY(std::ranges::any_of(o.patch().cables, [](const Cable& cable) { return cable.voice == "Second"; }));
    }

    void anotherOfAKindAndWhatIsFree() {
        Opened o;
        o.window.openCopy(demoFile(QStringLiteral("sync-lead")));
        const std::size_t posts = o.patch().posts.size();
        answerFinder({QStringLiteral("VCA –")});
        o.action(QStringLiteral("another"))->trigger();
        QCOMPARE(o.patch().posts.size(), posts + 1);
        QVERIFY(workspace().library.part(o.patch().posts.back())->has("vca"));
        answerFinder({QStringLiteral("gangway")});
        o.action(QStringLiteral("find-part"))->trigger();
        QCOMPARE(o.patch().posts.size(), posts + 2);
    }

    void anEndIsDrawnElsewhere() {
        Opened o;
        const Cable cable = *o.patch().cableInto(jackRef("filter.in-1"));
        o.window.selection().chooseCable(cable.id);
        // From the filter's line to the mixer's, on the row that is chosen; its menu offers the free inputs.
        QTimer::singleShot(0, [] {
            if (auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget())) {
                menu->actions().first()->trigger();
                menu->close();
            }
        });
        o.drag("filter", "mixer", cable.id);
        QCOMPARE(o.patch().cable(cable.id)->to.post, std::string("mixer"));
        QCOMPARE(o.patch().cable(cable.id)->from, cable.from);
        answerFinder({QStringLiteral("lfo saw")});
        o.action(QStringLiteral("move-start"))->trigger();
        QCOMPARE(o.patch().cable(cable.id)->from.text(), std::string("lfo.saw"));
    }

    void headingsFoldAndAreNamed() {
        Opened o;
        const Cable first = o.patch().cables.front();
        answerInput({QStringLiteral("Dawn · wake up")});
        o.window.selection().chooseCable(first.id);
        o.action(QStringLiteral("regroup"))->trigger();
        QCOMPARE(o.patch().cable(first.id)->voice, std::string("Dawn"));
        QCOMPARE(o.patch().cable(first.id)->step, std::string("wake up"));
        const auto rows = o.chart().chartLayout().rows.size();
        QTest::mouseClick(o.chart().viewport(), Qt::LeftButton, {},
                          QPoint(200, static_cast<int>(o.chart().chartLayout().headsHeight) + 12));
        QVERIFY(o.patch().heading("Dawn", "wake up"));
        QVERIFY(o.patch().heading("Dawn", "wake up")->folded);
        QVERIFY(o.chart().chartLayout().rows.size() < rows);
        const auto again = readPatch(writePatch(o.patch()));
        QVERIFY(again && again->heading("Dawn", "wake up")->folded);
    }

    /// The heading of the chosen row by its menu, from the keyboard: colour, fold, move.
    void aHeadingByItsMenu() {
        Opened o;
        const Cable first = o.patch().cables.front();
        const auto pick = [&](const QStringList& path) {
            o.window.selection().chooseCable(first.id);
            QTimer::singleShot(0, [path] {
                auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
                QVERIFY(menu);
                QList<QAction*> actions = menu->actions();
                for (const QString& word : path)
                    for (QAction* action : actions)
                        if (action->text() == word) {
                            actions = action->menu() ? action->menu()->actions() : QList<QAction*>{};
                            if (!action->menu()) action->trigger();
                            break;
                        }
                menu->close();
            });
            o.action(QStringLiteral("heading"))->trigger();
        };
        pick({QStringLiteral("Colour"), QStringLiteral("Rust")});
        QVERIFY(o.patch().heading(first.voice, first.step));
        QCOMPARE(o.patch().heading(first.voice, first.step)->colour, std::string("rust"));
        pick({QStringLiteral("Fold")});
        QVERIFY(o.patch().heading(first.voice, first.step)->folded);
        pick({QStringLiteral("Unfold")});
        QVERIFY(!o.patch().heading(first.voice, first.step)->folded);
        pick({QStringLiteral("Move down")});
        QVERIFY(o.patch().cables.front().step != first.step);
        pick({QStringLiteral("Mute ") + QString::fromStdString(first.voice)});
        QVERIFY(o.window.sound().listening().voiceSilenced(first.voice));
    }

    void oneMoreWindowIsAskedFor() {
        Opened o;
        QSignalSpy wanted(&o.window, &MainWindow::newWindowWanted);
        o.action(QStringLiteral("new-window"))->trigger();
        QCOMPARE(wanted.count(), 1);
    }

    void pathVoiceAndRowByRow() {
        Opened o;
        const auto rows = [&] {
            return std::ranges::count_if(o.chart().chartLayout().rows,
                                         [](const ChartRow& row) { return row.kind == ChartRow::Kind::Cable; });
        };
        QCOMPARE(rows(), 21);
        o.window.selection().choosePost("lfo");
        o.action(QStringLiteral("only-path"))->trigger();
        QVERIFY(rows() > 0 && rows() < 21);
        QVERIFY(o.window.findChild<QPushButton*>(QStringLiteral("show-all"))->isVisible());
        QTest::keyClick(&o.chart(), Qt::Key_Escape);
        QCOMPARE(rows(), 21);

        o.window.selection().chooseCable(o.patch().cables[2].id);
        o.action(QStringLiteral("row-by-row"))->trigger();
        QCOMPARE(rows(), 3);
        const std::size_t few = o.window.sound().engine().blockCount();
        o.action(QStringLiteral("next-row"))->trigger();
        QCOMPARE(rows(), 4);
        QCOMPARE(o.window.selection().cable(), o.patch().cables[3].id);
        QVERIFY(o.place().steps().isVisible());
        // A row that is not there yet has no signal.
        QVERIFY(!o.window.sound().engine().tap(o.patch().cables.back().from) ||
                o.patch().cables.back().from.post == o.patch().cables[3].from.post);
        QTest::mouseClick(o.window.findChild<QPushButton*>(QStringLiteral("step-whole")), Qt::LeftButton);
        QCOMPARE(rows(), 21);
        QVERIFY(o.window.sound().engine().blockCount() > few); // the first rows ran by themselves
        QVERIFY(!o.action(QStringLiteral("row-by-row"))->isChecked());
        QCOMPARE(o.patch().cables.size(), std::size_t{21}); // nothing was lost
    }

    void findingsAreListedFilteredAndKept() {
        Opened o;
        o.action(QStringLiteral("panel-findings"))->trigger();
        FindingsPage& page = o.place().panel().findings();
        QCOMPARE(page.count(), 3);
        QVERIFY(page.voices().count() > 2);
        page.voices().setCurrentIndex(page.voices().findText(QStringLiteral("Kick")));
        Q_EMIT page.voices().activated(page.voices().currentIndex());
        QVERIFY(page.count() < 3);
        page.voices().setCurrentIndex(0);
        Q_EMIT page.voices().activated(0);
        // A fix is looked at before it is applied: the chart draws it, and nothing has changed.
        auto* card = page.findChild<FindingCard*>(QStringLiteral("finding-pitch-on-follower"));
        QVERIFY(card);
        const QImage before = o.chart().viewport()->grab().toImage();
        Q_EMIT card->fixLookedAt(0);
        QVERIFY(o.chart().viewport()->grab().toImage() != before);
        QVERIFY(!o.window.document().history().canUndo());
        Q_EMIT card->fixLookedAt(-1);
        // Kept with a reason, which the patch remembers.
        answerInput({QStringLiteral("I like the colour")});
        Q_EMIT card->dismissed();
        QCOMPARE(o.patch().dismissals.size(), std::size_t{1});
        o.settle();
        EVENTUALLY(!o.found("pitch-on-follower"));
        EVENTUALLY(page.findChild<FindingCard*>(QStringLiteral("kept-pitch-on-follower")));
        Q_EMIT page.findChild<FindingCard*>(QStringLiteral("kept-pitch-on-follower"))->restored();
        EVENTUALLY(o.found("pitch-on-follower"));
    }

    void nonsenseChangesNothing() {
        Opened o;
        const Patch before = o.patch();
        QGuiApplication::clipboard()->setText(QStringLiteral("lfo saw to follower pwm\nlfo sine to nowhere at all"));
        o.place().tieLine().setFocus();
        QTest::keySequence(&o.place().tieLine(), QKeySequence::Paste);
        QCOMPARE(o.patch(), before); // all of them or none
        QVERIFY2(o.window.messages().text().contains(QLatin1String("sentence 2")),
                 qPrintable(o.window.messages().text()));
        QGuiApplication::clipboard()->setText(QStringLiteral("what is this"));
        o.window.selection().choosePost("filter");
        o.action(QStringLiteral("paste-settings"))->trigger();
        QCOMPARE(o.patch(), before);
        o.window.selection().chooseCable(o.patch().cables.front().id);
        o.action(QStringLiteral("swap"))->trigger();
        QCOMPARE(o.patch(), before);
        QVERIFY(o.window.messages().text().contains(QLatin1String("two rows")));
    }

    /// Corners of a contour's picture are drawn, and its knobs follow; the whole movement is one step.
    void contoursAreDrawn() {
        Opened o;
        o.window.selection().choosePost("contour-1");
        QCoreApplication::processEvents();
        auto* picture = o.place().inspector().findChild<EnvelopePicture*>(QStringLiteral("envelope"));
        QVERIFY(picture);
        // It is drawn over the gate that it really gets.
        EVENTUALLY_OR(std::abs(picture->shape().gate - 0.062) < 0.004,
                      qPrintable(QString::number(picture->shape().gate)));
        const int steps = o.window.document().history().index();
        const double before = o.patch().post("contour-1")->knobs.at("attack");
        const QPoint attack = picture->corner(EnvelopePicture::Corner::Attack).toPoint();
        QTest::mousePress(picture, Qt::LeftButton, {}, attack);
        QTest::mouseMove(picture, attack + QPoint(10, 0));
        QTest::mouseMove(picture, attack + QPoint(30, 0));
        QTest::mouseRelease(picture, Qt::LeftButton, {}, attack + QPoint(30, 0));
        QVERIFY(o.patch().post("contour-1")->knobs.at("attack") > before + 0.005);
        QCOMPARE(o.window.document().history().index(), steps + 1);
        picture = o.place().inspector().findChild<EnvelopePicture*>(QStringLiteral("envelope"));
        const QPoint decay = picture->corner(EnvelopePicture::Corner::Decay).toPoint();
        const double sustain = o.patch().post("contour-1")->knobs.at("sustain");
        QTest::mousePress(picture, Qt::LeftButton, {}, decay);
        QTest::mouseMove(picture, decay + QPoint(0, 15));
        QTest::mouseRelease(picture, Qt::LeftButton, {}, decay + QPoint(0, 15));
        QVERIFY(o.patch().post("contour-1")->knobs.at("sustain") < sustain - 5.0);
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
