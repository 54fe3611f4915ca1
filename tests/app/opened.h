// The window, open on the demo and playing to the simulated interface; and hands for its dialogs.
#pragma once

#include "devices/simulated_device.h"
#include "patch/patch_place.h"
#include "places.h"
#include "shell/command_finder.h"
#include "shell/main_window.h"
#include "support/eventually.h"
#include "support/patches.h"
#include "widgets/knob.h"

#include <QtTest>

#include <QClipboard>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QFileDialog>
#include <QInputDialog>
#include <QMenuBar>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>
#include <QTemporaryDir>

namespace lariat::test {

inline const QString kLamp = QStringLiteral(LARIAT_SOURCE "/data/demo/lamp.json");

/// The window on the demo, playing to the simulated interface.
struct Opened {
    QTemporaryDir folder;
    MainWindow window;

    /// `own`: the user's own folder, where there is to be one.
    explicit Opened(const QString& own = {})
        : window(
              [&] {
                  Workspace all = workspace();
                  all.own = own.toStdString();
                  return all;
              }(),
              allPlaces(), folder.filePath(QStringLiteral("unsaved"))) {
        window.openCopy(kLamp);
        window.sound().openDevice(QString::fromLatin1(kSimulatedDevice));
        window.show();
        QVERIFY(QTest::qWaitForWindowExposed(&window));
        window.activateWindow();
        settle();
    }
    void settle() {
        EVENTUALLY(window.checker().settled());
        QCoreApplication::processEvents();
    }
    PatchPlace& place() { return *dynamic_cast<PatchPlace*>(window.place(QStringLiteral("patch"))); }
    Chart& chart() { return place().chart(); }
    [[nodiscard]] const Patch& patch() { return window.document().patch(); }
    [[nodiscard]] bool tied(const char* from, const char* to) {
        const Cable* cable = patch().cableInto(jackRef(to));
        return cable && cable->from.text() == from;
    }
    [[nodiscard]] bool found(const std::string& rule) {
        return std::ranges::any_of(window.checker().findings(),
                                   [&](const Finding& finding) { return finding.rule == rule; });
    }
    /// An action by its name, which is the same in every language.
    QAction* action(const QString& name) { return window.findChild<QAction*>(name); }
    /// One that was made from data, by the end of its path in the menus.
    QAction* entry(const QString& path) {
        for (const auto& [name, action] : allActions(*window.menuBar()))
            if (name.endsWith(path)) return action;
        return nullptr;
    }
    void drag(const std::string& from, const std::string& to, int row) {
        QWidget* view = chart().viewport();
        const QPoint start = chart().pointOn(from, row);
        const QPoint end = chart().pointOn(to, row);
        QTest::mousePress(view, Qt::LeftButton, {}, start);
        QTest::mouseMove(view, (start + end) / 2);
        QTest::mouseMove(view, end);
        QTest::mouseRelease(view, Qt::LeftButton, {}, end);
    }
    static void choose(QListWidget* list, const QString& text) {
        for (int i = 0; i < list->count(); ++i)
            if (list->item(i)->text().startsWith(text)) {
                list->setCurrentRow(i);
                return;
            }
        QFAIL(qPrintable(text));
    }
};

/// Answers the file dialog that the next action opens.
inline void answerFileDialog(const QString& file) {
    QTimer::singleShot(0, [file] {
        auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
        if (!dialog) {
            QTimer::singleShot(20, [file] { answerFileDialog(file); });
            return;
        }
        dialog->selectFile(file);
        QMetaObject::invokeMethod(dialog, "accept", Qt::QueuedConnection);
    });
}

/// Presses a button, by its text without "&", of the question that comes next; `seen` gets what it asks.
inline void answerQuestion(const QString& button, QString* seen = nullptr) {
    QTimer::singleShot(0, [button, seen] {
        auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
        if (!box) {
            QTimer::singleShot(5, [button, seen] { answerQuestion(button, seen); });
            return;
        }
        if (seen) *seen = box->text();
        for (QAbstractButton* one : box->buttons())
            if (one->text().remove(QLatin1Char('&')) == button) {
                one->click();
                return;
            }
        box->reject();
    });
}

/// Answers the questions that the next action asks, one after another.
inline void answerInput(QStringList answers) {
    if (answers.isEmpty()) return;
    QTimer::singleShot(0, [answers]() mutable {
        auto* dialog = qobject_cast<QInputDialog*>(QApplication::activeModalWidget());
        if (!dialog) {
            QTimer::singleShot(5, [answers] { answerInput(answers); });
            return;
        }
        dialog->setTextValue(answers.takeFirst());
        dialog->accept();
        answerInput(answers);
    });
}

/// Fills in the dialog of that kind that the next action opens, and accepts it.
template <class Dialog> void answerDialog(std::function<void(Dialog&)> fill) {
    QTimer::singleShot(0, [fill] {
        auto* dialog = qobject_cast<Dialog*>(QApplication::activeModalWidget());
        if (!dialog) {
            QTimer::singleShot(5, [fill] { answerDialog<Dialog>(fill); });
            return;
        }
        fill(*dialog);
        dialog->template findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Ok)->click();
    });
}

/// Types into the finder that the next action opens, and takes the first that fits; then into the next one.
inline void answerFinder(QStringList texts) {
    if (texts.isEmpty()) return;
    QTimer::singleShot(0, [texts]() mutable {
        auto* finder = qobject_cast<Finder*>(QApplication::activeModalWidget());
        if (!finder) {
            QTimer::singleShot(5, [texts] { answerFinder(texts); });
            return;
        }
        const QString text = texts.takeFirst();
        answerFinder(texts); // the next one may open while this one closes
        finder->field().setText(text);
        QTest::keyClick(&finder->field(), Qt::Key_Return);
    });
}

/// Settings of the test's own, no native dialogs, the light look.
inline void prepareApplication(const QTemporaryDir& settings) {
    QCoreApplication::setOrganizationName(QStringLiteral("lariat-test"));
    QCoreApplication::setApplicationName(QStringLiteral("lariat-test"));
    QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, settings.path());
    QApplication::setAttribute(Qt::AA_DontUseNativeDialogs);
    applyTheme(Theme::Light);
}

} // namespace lariat::test
