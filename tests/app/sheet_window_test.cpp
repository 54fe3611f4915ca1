// The Sheet by mouse and keys: layouts, contents, files; sheets that are opened again; notes that become a patch.
#include "app/opened.h"
#include "model/file.h"
#include "print/pdf.h"
#include "sheet/sheet_place.h"
#include "widgets/notes_dialog.h"

#include <QMenu>
#include <QProcess>

#include <fstream>

using namespace lariat;
using namespace lariat::test;

namespace {

SheetPlace& sheetOf(Opened& o) {
    return *dynamic_cast<SheetPlace*>(o.window.place(QStringLiteral("sheet")));
}

QByteArray bytesOf(const QString& file) {
    QFile in(file);
    return in.open(QIODevice::ReadOnly) ? in.readAll() : QByteArray();
}

void choose(SheetPlace& sheet, const char* combo, int index) {
    auto* box = sheet.findChild<QComboBox*>(QString::fromLatin1(combo));
    box->setFocus();
    QTest::keyClick(box, Qt::Key_Home);
    for (int i = 0; i < index; ++i) QTest::keyClick(box, Qt::Key_Down);
    Q_EMIT box->activated(box->currentIndex());
}

} // namespace

class SheetWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() { prepareApplication(settings_); }

    /// An accent is a hit as well: filled, with a cap; a hit that nobody wrote down is a question mark.
    void accentsArePrintedAsHits() {
        const auto filled = [](const std::vector<std::string>& steps) {
            Sheet sheet;
            sheet.title = "Steps";
            sheet.pattern = {{"hat", steps}};
            SheetSettings settings = settingsFor(SheetLayout::Workbook);
            settings.parts = {SheetPart::Pattern};
            const QImage page = drawPages(sheet, settings).front();
            int count = 0;
            for (int y = 0; y < page.height(); ++y)
                for (int x = 0; x < page.width(); ++x)
                    if (QColor(page.pixel(x, y)) == Look::light().kind(SignalKind::Gate)) ++count;
            return count;
        };
        const int one = filled({"x", "·", "·"});
        QVERIFY(one > 100);
        QVERIFY2(filled({"x", "X", "·"}) > 1.8 * one, qPrintable(QString::number(filled({"x", "X", "·"}))));
        QCOMPARE(filled({"x", "?", "·"}), one);
    }

    void layoutsArePreviewed() {
        Opened o;
        o.window.showPlace(QStringLiteral("sheet"));
        SheetPlace& sheet = sheetOf(o);
        EVENTUALLY(sheet.pageCount() > 5); // the archive
        choose(sheet, "sheet-layout", 0);
        QCOMPARE(sheet.pageCount(), 1);
        choose(sheet, "sheet-layout", 1);
        QVERIFY(sheet.pageCount() > 1 && !sheet.settings().landscape);
        const int pages = sheet.pageCount();
        choose(sheet, "sheet-paper", 1);
        QVERIFY(sheet.settings().paper == Paper::A5);
        QVERIFY(sheet.pageCount() >= pages);
        QTest::mouseClick(sheet.findChild<QCheckBox*>(QStringLiteral("sheet-colour")), Qt::LeftButton);
        QVERIFY(!sheet.settings().colour);
        // Contents by choice.
        auto* cautions = sheet.findChild<QAction*>(QStringLiteral("sheet-part-cautions"));
        QVERIFY(cautions->isChecked());
        cautions->trigger();
        QVERIFY(!sheet.settings().has(SheetPart::Cautions));
        // It is as it was chosen, in the next window too.
        Opened other;
        QVERIFY(sheetOf(other).settings() == sheet.settings());
        choose(sheet, "sheet-layout", 2);
        sheet.choose(settingsFor(SheetLayout::Archive));
    }

    /// Every format by its menu; what travels in it opens again in the window, and what was open is kept.
    void filesAreWrittenAndOpenedAgain() {
        const QTemporaryDir own;
        Opened o(own.path());
        const Patch before = o.patch();
        SheetPlace& sheet = sheetOf(o);
        o.window.showPlace(QStringLiteral("sheet"));
        EVENTUALLY(o.window.checker().sheetIsReady());
        for (const char* suffix : {"pdf", "html", "svg", "md", "csv", "knobs.csv", "dot"}) {
            const QString file = o.folder.filePath(QStringLiteral("lamp.") + QLatin1String(suffix));
            answerFileDialog(file);
            if (suffix == std::string("pdf"))
                QTest::mouseClick(sheet.findChild<QPushButton*>(QStringLiteral("save-pdf")), Qt::LeftButton);
            else
                sheet.findChild<QAction*>(QStringLiteral("save-") + QLatin1String(suffix))->trigger();
            QVERIFY2(bytesOf(file).size() > 400, suffix);
            QVERIFY2(o.window.messages().text().contains(QLatin1String("The patch sheet is in")),
                     qPrintable(o.window.messages().text()));
        }
        QVERIFY(bytesOf(o.folder.filePath(QStringLiteral("lamp.csv"))).contains("Follower saw"));
        for (const char* ending : {"pdf", "html", "svg"}) {
            o.window.document().apply({SetKnob{"filter", "cutoff", 400.0 + static_cast<double>(ending[0])}},
                                      QStringLiteral("turn"));
            const auto takes = o.window.log().book()->list()->size();
            QVERIFY(o.window.openFile(o.folder.filePath(QStringLiteral("lamp.") + QLatin1String(ending))));
            QVERIFY2(o.patch() == before, ending);
            QVERIFY(o.window.document().file().isEmpty()); // it has no file of its own
            EVENTUALLY(o.window.log().book()->list()->size() == takes + 1);
            QVERIFY(o.window.log().book()->list()->front().kind == TakeKind::BeforeReading);
        }
        // What carries nothing, or is mangled, says so and leaves the patch as it is.
        const auto refused = [&](const QString& file, const char* why) {
            QVERIFY(!o.window.openFile(file));
            QVERIFY2(o.window.messages().text().contains(QLatin1String(why)), qPrintable(o.window.messages().text()));
            QVERIFY(o.patch() == before);
        };
        const QString html = o.folder.filePath(QStringLiteral("plain.html"));
        std::ofstream(html.toStdString()) << "<html>nothing in it</html>";
        refused(html, "no patch travels in it");
        QByteArray pdf = bytesOf(o.folder.filePath(QStringLiteral("lamp.pdf")));
        const QString mangled = o.folder.filePath(QStringLiteral("mangled.pdf"));
        const auto write = [&](const QByteArray& bytes) {
            QFile out(mangled);
            QVERIFY(out.open(QIODevice::WriteOnly) && out.write(bytes) == bytes.size());
        };
        write(pdf.left(pdf.size() / 3));
        QVERIFY(!o.window.openFile(mangled));
        QVERIFY(o.patch() == before);
        write("no PDF at all");
        refused(mangled, "no patch travels in it");
        // A PDF without: as some other program writes it.
        SheetSettings settings = settingsFor(SheetLayout::OnePage);
        sheet.choose(settings);
        QVERIFY(QFile::remove(mangled));
        QVERIFY(writePdf(o.window.checker().sheet(), settings, {}, mangled.toStdString()));
        refused(mangled, "no patch travels in it");
        sheet.choose(settingsFor(SheetLayout::Archive));
    }

    void notesBecomeAPatch() {
        const QTemporaryDir own;
        Opened o(own.path());
        bool seen = false;
        QTimer::singleShot(0, [&] {
            auto* dialog = qobject_cast<NotesDialog*>(QApplication::activeModalWidget());
            QVERIFY(dialog);
            auto* open = dialog->findChild<QPushButton*>(QStringLiteral("notes-open"));
            QVERIFY(!open->isEnabled());
            QTest::keyClicks(&dialog->text(), QStringLiteral("VCO1 saw -> VCF in, cutoff ~ 10 o'clock, res ?"));
            QTest::keyClick(&dialog->text(), Qt::Key_Return);
            QTest::keyClicks(&dialog->text(), QStringLiteral("VCF -> VCA -> out"));
            QTest::keyClick(&dialog->text(), Qt::Key_Return);
            QTest::keyClicks(&dialog->text(), QStringLiteral("gronk to out"));
            EVENTUALLY(dialog->answers().topLevelItemCount() == 3);
            QVERIFY(dialog->answers().topLevelItem(0)->text(1).contains(QLatin1String("Osc A saw to Filter in 1")));
            QVERIFY(dialog->answers().topLevelItem(2)->text(1).contains(QLatin1String("Not understood")));
            QVERIFY(dialog->findChild<QLabel*>(QStringLiteral("notes-sum"))
                        ->text()
                        .startsWith(QLatin1String("2 of 3 line")));
            dialog->answers().setCurrentItem(dialog->answers().topLevelItem(2));
            QCOMPARE(dialog->text().textCursor().selectedText(), QStringLiteral("gronk to out"));
            seen = true;
            QTest::mouseClick(open, Qt::LeftButton);
        });
        o.action(QStringLiteral("read-notes"))->trigger();
        QVERIFY(seen);
        QCOMPARE(o.patch().cables.size(), std::size_t{3});
        QVERIFY(o.patch().about.find("gronk") != std::string::npos);
        EVENTUALLY(o.window.log().book()->list()->size() == 1); // what was open before
        QVERIFY(o.window.messages().text().contains(QLatin1String("2 of 3 lines")));
        // Thought better of it.
        QTimer::singleShot(0, [] { QApplication::activeModalWidget()->close(); });
        const Patch now = o.patch();
        o.action(QStringLiteral("read-notes"))->trigger();
        QVERIFY(o.patch() == now);
    }
};

QTEST_MAIN(SheetWindowTest)
#include "sheet_window_test.moc"
