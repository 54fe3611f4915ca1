#include "screenshot.h"

#include "bench/bench_place.h"
#include "log/log_place.h"
#include "patch/patch_place.h"
#include "plan/plan_place.h"
#include "sheet/sheet_place.h"
#include "stock/stock_place.h"
#include "time/time_place.h"
#include "widgets/calibrate_dialog.h"
#include "widgets/notes_dialog.h"

#include <QApplication>
#include <QComboBox>
#include <QElapsedTimer>
#include <QFileInfo>

#include <cstdio>
#include <memory>

namespace lariat {
namespace {

constexpr double kHeardSeconds = 3.2;
constexpr qint64 kSettleMilliseconds = 700;
constexpr qint64 kPatienceMilliseconds = 30'000;
/// As a keeper may have written it down.
constexpr const char* kNotes = "title: Stairs at night\n"
                               "key: D minor\n"
                               "VCO1 saw -> VCF in, cutoff ~ 10 o'clock, res ?\n"
                               "VCF -> VCA -> mixer -> out\n"
                               "env 1 to VCA, decay short, sustain zero\n"
                               "seq gate -> env 1, seq pitch -> VCO1\n"
                               "clock -> seq\n"
                               "seq: d3 d3 - f3 a3 - c4 d3\n"
                               "LFO to VCF cutoff, rate about 9:30\n"
                               "noise -> VCF in 3\n"
                               "that creak of the third stair\n"
                               "tempo 96\n";

} // namespace

int takePicture(MainWindow& window, const Pose& pose) {
    QElapsedTimer timer;
    timer.start();
    const auto heard = [&] { return static_cast<double>(window.sound().engine().meters.frames.load()) / 48000.0; };
    while ((heard() < kHeardSeconds || !window.checker().settled()) && timer.elapsed() < kPatienceMilliseconds)
        QApplication::processEvents(QEventLoop::AllEvents, 20);
    if (auto* patch = dynamic_cast<PatchPlace*>(window.place(QStringLiteral("patch")))) {
        bool isRow = false;
        const int row = pose.selected.toInt(&isRow);
        const auto& cables = window.document().patch().cables;
        if (isRow && row >= 1 && row <= static_cast<int>(cables.size()))
            window.selection().chooseCable(cables[static_cast<std::size_t>(row - 1)].id);
        else if (!pose.selected.isEmpty())
            window.selection().choosePost(pose.selected.toStdString());
        window.document().setUntilRow(pose.untilRow);
        patch->keys().setVisible(pose.keys);
        const bool why = pose.panel == QLatin1String("why");
        patch->panel().setCurrentIndex(why || pose.panel == QLatin1String("findings") ? 1
                                       : pose.panel == QLatin1String("settings")      ? 2
                                                                                      : 0);
        if (why) { // the way to the first finding that has one
            const auto& findings = window.checker().findings();
            const auto first = std::ranges::find_if(findings, [](const Finding& one) { return !one.walk.empty(); });
            if (first != findings.end()) patch->panel().findings().showWalk(*first);
        }
    }
    // What is shown after a choice, such as readings and the reach of modulation, follows within some tenths of a
    // second.
    timer.restart();
    while (timer.elapsed() < kSettleMilliseconds) QApplication::processEvents(QEventLoop::AllEvents, 20);
    if (auto* time = dynamic_cast<TimePlace*>(window.place(QStringLiteral("time"))); time && time->isVisible())
        while ((!time->responder().foretold() || !window.checker().settled()) &&
               timer.elapsed() < kPatienceMilliseconds)
            QApplication::processEvents(QEventLoop::AllEvents, 20);
    if (auto* plan = dynamic_cast<PlanPlace*>(window.place(QStringLiteral("plan"))); plan && plan->isVisible()) {
        const auto wait = [&] {
            while ((!plan->settled() || plan->recipes().verdict("vowel-voice").isEmpty()) &&
                   timer.elapsed() < kPatienceMilliseconds)
                QApplication::processEvents(QEventLoop::AllEvents, 20);
        };
        if (pose.panel == QLatin1String("build")) { // one row at a time, up to the last that is wanted
            plan->build().begin({}, false);
            plan->showBuild();
            while (plan->build().step() + 1 < pose.untilRow) plan->build().goOn();
            for (timer.restart(); timer.elapsed() < 4 * kSettleMilliseconds;)
                QApplication::processEvents(QEventLoop::AllEvents, 20);
        } else {
            if (!pose.panel.isEmpty()) plan->showRecipe(pose.panel.toStdString());
            wait();
            plan->findSettings();
            wait();
        }
    }
    if (auto* log = dynamic_cast<LogPlace*>(window.place(QStringLiteral("log"))); log && log->isVisible())
        if (const auto& takes = log->model().takes(); !takes.empty()) log->lookAt(takes.front().id);
    if (auto* bench = dynamic_cast<BenchPlace*>(window.place(QStringLiteral("bench"))); bench && bench->isVisible()) {
        // "<question> <post.jack>…", and "live"
        QStringList words = pose.panel.split(QLatin1Char(' '), Qt::SkipEmptyParts);
        if (!words.isEmpty())
            if (const auto question = questionNamed(words.takeFirst().toStdString())) bench->asked().choose(*question);
        for (const QString& word : words) {
            const auto dot = word.indexOf(QLatin1Char('.'));
            if (word.endsWith(QLatin1String(".wav")))
                bench->addRecordingFile(word);
            else if (dot > 0)
                bench->asked().addJack({word.left(dot).toStdString(), word.mid(dot + 1).toStdString()});
        }
        for (timer.restart(); (!bench->settled() || !bench->answer() || timer.elapsed() < kSettleMilliseconds) &&
                              timer.elapsed() < kPatienceMilliseconds;)
            QApplication::processEvents(QEventLoop::AllEvents, 20);
    }
    QWidget* shown = &window;
    if (auto* stock = dynamic_cast<StockPlace*>(window.place(QStringLiteral("stock"))); stock && stock->isVisible()) {
        // "make <module>", "behind <module>", "calibrate <module> <part> <knob>"
        const QStringList words = pose.panel.split(QLatin1Char(' '));
        if (words.size() >= 2 && words[0] != QLatin1String("calibrate")) {
            stock->make(words[1].toStdString());
            auto* view = stock->maker().findChild<QComboBox*>(QStringLiteral("maker-view"));
            view->setCurrentIndex(words[0] == QLatin1String("behind") ? 1 : 0);
            Q_EMIT view->activated(view->currentIndex());
            const auto& stand = *stock->maker().stand();
            stand.selection.choosePost(stand.document.patch().posts[3].id);
            for (timer.restart(); timer.elapsed() < 6 * kSettleMilliseconds || !stand.checker.settled();)
                QApplication::processEvents(QEventLoop::AllEvents, 20);
        } else if (words.size() == 4) {
            calibrateKnob(window.session(), words[1].toStdString(), words[2].toStdString(), words[3].toStdString(),
                          &window);
            if (auto* dialog = window.findChild<QWidget*>(QStringLiteral("calibrate-dialog"))) shown = dialog;
        }
    }
    if (auto* sheet = dynamic_cast<SheetPlace*>(window.place(QStringLiteral("sheet"))); sheet && sheet->isVisible()) {
        if (const auto layout = layoutFrom(pose.panel.toStdString())) sheet->choose(settingsFor(*layout));
        while (!window.checker().sheetIsReady() && timer.elapsed() < kPatienceMilliseconds)
            QApplication::processEvents(QEventLoop::AllEvents, 20);
    }
    std::unique_ptr<NotesDialog> notes;
    if (pose.panel == QLatin1String("notes")) {
        notes = std::make_unique<NotesDialog>(window.document().workspace(), window.document().patch().caseId, &window);
        notes->show();
        notes->text().setPlainText(QString::fromLatin1(kNotes));
        notes->readNow();
        shown = notes.get();
    }
    for (timer.restart(); timer.elapsed() < kSettleMilliseconds / 2;) // what came last is laid out
        QApplication::processEvents(QEventLoop::AllEvents, 20);
    QDir().mkpath(QFileInfo(pose.file).absolutePath());
    if (shown->grab().save(pose.file)) return 0;
    std::fprintf(stderr, "lariat: %s cannot be written\n", qPrintable(pose.file));
    return 2;
}

} // namespace lariat
