// The window in German: nothing that is said in it is left in English, and what is typed and refused is understood.
#include "app/opened.h"
#include "look/language.h"
#include "look/text.h"
#include "maker/stand.h"
#include "plan/recipe_words.h"
#include "shell/interface_scale.h"
#include "shell/preferences.h"
#include "shell/render_dialog.h"

#include <QFile>
#include <QLabel>
#include <QSet>
#include <QXmlStreamReader>

#include <map>

using namespace lariat;
using namespace lariat::test;

namespace {

/// English sources whose German is another, by the file of translations.
std::map<QString, QString> dictionary() {
    QFile file(QStringLiteral(LARIAT_SOURCE "/app/i18n/lariat_de.ts"));
    std::map<QString, QString> all;
    if (!file.open(QIODevice::ReadOnly)) return all;
    QXmlStreamReader xml(&file);
    QString source;
    while (!xml.atEnd())
        if (xml.readNext() == QXmlStreamReader::StartElement) {
            if (xml.name() == QLatin1String("source")) source = xml.readElementText();
            if (xml.name() == QLatin1String("translation")) {
                const QString german = xml.readElementText(QXmlStreamReader::IncludeChildElements).trimmed();
                if (german != source && !german.isEmpty() && source.size() > 3) all.emplace(source, german);
            }
        }
    return all;
}

/// All that a window says, by where.
QStringList wordsOf(const QWidget& window) {
    QStringList words;
    for (const QAction* action : window.findChildren<QAction*>()) words << action->text() << action->toolTip();
    for (const QWidget* widget : window.findChildren<QWidget*>())
        words << widget->toolTip() << widget->accessibleName() << widget->windowTitle();
    for (const QLabel* label : window.findChildren<QLabel*>()) words << label->text();
    for (const QAbstractButton* button : window.findChildren<QAbstractButton*>()) words << button->text();
    for (const QComboBox* box : window.findChildren<QComboBox*>())
        for (int i = 0; i < box->count(); ++i) words << box->itemText(i);
    words.removeAll(QString());
    words.removeDuplicates();
    return words;
}

} // namespace

class GermanWindowTest : public QObject {
    Q_OBJECT

    QTemporaryDir settings_;

  private Q_SLOTS:
    void initTestCase() {
        prepareApplication(settings_);
        speak(QStringLiteral("de"));
    }

    void nothingIsLeftInEnglish() {
        const auto german = dictionary();
        QVERIFY(german.size() > 800);
        // Words of the field on jacks and knobs stay as they are on the metal; a note is a “Note” too.
        QSet<QString> same = {QStringLiteral("Note")};
        for (const auto& [id, module] : workspace().library.modules())
            for (const PartInfo& part : module.parts) {
                for (const JackInfo& jack : part.jacks) same << QString::fromStdString(jack.name);
                for (const KnobInfo& knob : part.knobs) same << QString::fromStdString(knob.name);
            }
        Opened o;
        for (const Post& post : o.patch().posts) same << QString::fromStdString(post.name); // as somebody called them
        const auto look = [&](const QWidget& window) {
            QStringList left;
            for (const QString& word : wordsOf(window))
                if (german.contains(word) && !same.contains(word)) left << word;
            QVERIFY2(left.isEmpty(), qPrintable(left.join(QStringLiteral(" | "))));
        };
        for (const char* place : {"patch", "time", "sheet"}) {
            o.window.showPlace(QLatin1String(place));
            QTest::qWait(50);
            look(o.window);
        }
        o.window.showPlace(QStringLiteral("patch"));
        for (const char* post : {"osc-a", "filter", "tracks", "contour-1", "out"}) {
            o.window.selection().choosePost(post);
            QCoreApplication::processEvents();
            look(o.window);
        }
        look(Preferences(o.window.session(), &o.window));
        look(RenderDialog(o.window.session(), &o.window));
    }

    /// What plans and test stands write into a patch is German too: roles, headings, notes, helpers.
    void plansAndStandsSpeakGerman() {
        int said = 0;
        for (const Recipe& recipe : loadRecipes(dataFolder()).recipes) {
            const Recipe german = inTheirWords(recipe);
            for (std::size_t i = 0; i < recipe.cables.size(); ++i) {
                QVERIFY2(german.cables[i].step != recipe.cables[i].step || recipe.cables[i].step.empty(),
                         recipe.cables[i].step.c_str());
                QVERIFY2(german.cables[i].note != recipe.cables[i].note || recipe.cables[i].note.empty(),
                         recipe.cables[i].note.c_str());
            }
            for (std::size_t i = 0; i < recipe.roles.size(); ++i)
                if (german.roles[i].name != recipe.roles[i].name) ++said;
            QCOMPARE(german.roles.front().id, recipe.roles.front().id);
        }
        QVERIFY2(said > 300, qPrintable(QString::number(said)));
        const Stand stand = makeStand(*workspace().library.module("crows-nest"), workspace().library, StandView::Behind,
                                      nullptr, inWindow());
        QCOMPARE(stand.patch.post("keys")->name, std::string("Tasten"));
        QVERIFY(std::ranges::any_of(stand.patch.cables, [](const Cable& c) { return c.step == "hinter der Platte"; }));
        // The module as it was, whatever language its rows are headed in: normals do not become wires.
        for (const auto& [id, module] : workspace().library.modules()) {
            const Patch behind = makeStand(module, workspace().library, StandView::Behind, nullptr, inWindow()).patch;
            QVERIFY2(asOnStand(behind, module).parts == module.description.parts, id.c_str());
        }
    }

    /// A whole task: a cable by sentence, a step by key, undo; and what goes wrong is said in German.
    void aTaskInGerman() {
        Opened o;
        const std::size_t cables = o.patch().cables.size();
        auto& line = o.place().tieLine();
        line.setFocus();
        QTest::keyClicks(&line, QStringLiteral("lfo sine to follower pwm"));
        QTest::keyClick(&line, Qt::Key_Return);
        QCOMPARE(o.patch().cables.size(), cables + 1);
        QVERIFY(o.window.document().history().undoText().size() > 0);
        QVERIFY2(!o.window.document().history().undoText().startsWith(QLatin1String("tie ")),
                 qPrintable(o.window.document().history().undoText()));
        o.action(QStringLiteral("undo"))->trigger();
        QCOMPARE(o.patch().cables.size(), cables);
        o.action(QStringLiteral("play-midi"))->trigger(); // nothing that can be played is chosen
        QVERIFY2(o.window.messages().text().contains(QStringLiteral("zuerst"), Qt::CaseInsensitive),
                 qPrintable(o.window.messages().text()));
        o.settle();
        for (const Finding& finding : o.window.checker().findings())
            QVERIFY2(said(finding.reason) != QString::fromStdString(finding.reason.str()), finding.rule.c_str());
    }

    /// What the core refuses, with the sentence and the step in it where it is wrong.
    void refusalsAreInGerman() {
        Opened o;
        auto& line = o.place().tieLine();
        line.setFocus();
        QTest::keyClicks(&line, QStringLiteral("lfo sine to moon in"));
        QTest::keyClick(&line, Qt::Key_Return);
        const QString said = o.window.messages().text();
        QVERIFY2(said.contains(QStringLiteral("Satz 1")) && said.contains(QStringLiteral("es gibt keinen Eingang")),
                 qPrintable(said));
        o.window.document().apply({SetKnob{"moon", "cutoff", 1}}, QStringLiteral("no"));
        QVERIFY2(o.window.messages().text().contains(QStringLiteral("es gibt keinen Pfosten „moon“")),
                 qPrintable(o.window.messages().text()));
        const QString bad = o.folder.filePath(QStringLiteral("bad.lariat"));
        QFile file(bad);
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(R"({"format": "lariat-patch", "version": 99})");
        file.close();
        o.window.openFile(bad);
        QVERIFY2(o.window.messages().text().contains(QStringLiteral("neueren Lariat")),
                 qPrintable(o.window.messages().text()));
    }

    void theSheetIsInGerman() {
        Opened o;
        o.window.checker().askForSheet();
        EVENTUALLY(o.window.checker().sheetIsReady());
        const Sheet& sheet = o.window.checker().sheet();
        const QString text = QString::fromStdString(writeMarkdown(sheet));
        for (const char* word : {"Kabel in Baureihenfolge", "| Zeile | Von | Nach |", "Tonart", "Reihe 1, TE",
                                 "Effektivwert", "Mit leisem Monitor beginnen", "Benötigte Kabel"})
            QVERIFY2(text.contains(QString::fromUtf8(word)), word);
        QSet<QString> own; // what somebody wrote into the patch stays as it is
        for (const Cable& cable : o.patch().cables) own << q(cable.step) << q(cable.note);
        QStringList left;
        for (const auto& [english, german] : dictionary())
            if (english.size() > 12 && !english.contains('{') && text.contains(english) && !own.contains(english))
                left << english;
        QVERIFY2(left.isEmpty(), qPrintable(left.join(QStringLiteral(" | "))));
        QCOMPARE(sheet.speak(say("Cable chart")), std::string("Kabelplan")); // so is what the printer writes
    }

    /// As large as the system's text asks for, in quarters, unless a size was chosen.
    void everythingGrowsWithTheText() {
        QCOMPARE(interfaceScale(0.0, kUsualTextPixels), 1.0);
        QCOMPARE(interfaceScale(0.0, 12.0), 1.0); // smaller than usual makes nothing smaller
        QCOMPARE(interfaceScale(0.0, 19.0), 1.25);
        QCOMPARE(interfaceScale(0.0, 30.0), 2.0);
        QCOMPARE(interfaceScale(0.0, 90.0), 3.0);
        QCOMPARE(interfaceScale(1.5, 30.0), 1.5);
        QCOMPARE(interfaceScale(40.0, 15.0), 3.0);
        QSettings().setValue(QStringLiteral("scale"), 175);
        QCOMPARE(Preferences::scale(), 1.75);
        QSettings().remove(QStringLiteral("scale"));
    }
};

QTEST_MAIN(GermanWindowTest)
#include "german_window_test.moc"
