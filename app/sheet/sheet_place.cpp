#include "sheet/sheet_place.h"

#include "library/workspace.h"
#include "look/fonts.h"
#include "look/text.h"
#include "model/file.h"
#include "print/pdf.h"
#include "shell/theme.h"
#include "stock/carried.h"
#include "widgets/file_dialog.h"
#include "widgets/plain.h"

#include <QCoreApplication>
#include <QHBoxLayout>
#include <QSettings>

namespace lariat {
namespace {

/// Endings of files, and what they are.
std::vector<std::pair<QString, QString>> kinds() {
    const auto name = [](const char* text) { return QCoreApplication::translate("lariat::SheetPlace", text); };
    return {{QStringLiteral("pdf"), name(QT_TRANSLATE_NOOP("lariat::SheetPlace", "PDF"))},
            {QStringLiteral("html"), name(QT_TRANSLATE_NOOP("lariat::SheetPlace", "HTML, one file…"))},
            {QStringLiteral("svg"), name(QT_TRANSLATE_NOOP("lariat::SheetPlace", "SVG…"))},
            {QStringLiteral("md"), name(QT_TRANSLATE_NOOP("lariat::SheetPlace", "Markdown…"))},
            {QStringLiteral("csv"), name(QT_TRANSLATE_NOOP("lariat::SheetPlace", "CSV of the cables…"))},
            {QStringLiteral("knobs.csv"), name(QT_TRANSLATE_NOOP("lariat::SheetPlace", "CSV of the knobs…"))},
            {QStringLiteral("dot"), name(QT_TRANSLATE_NOOP("lariat::SheetPlace", "DOT, for graph programs…"))}};
}

/// As it was chosen last, in any window.
SheetSettings keptSettings() {
    const QSettings kept;
    const auto word = [&](const char* key) { return kept.value(QLatin1String(key)).toString().toStdString(); };
    SheetSettings out = settingsFor(layoutFrom(word("sheet/layout")).value_or(SheetLayout::Archive));
    out.paper = paperFrom(word("sheet/paper")).value_or(Paper::A4);
    out.landscape = kept.value(QStringLiteral("sheet/landscape"), out.landscape).toBool();
    out.colour = kept.value(QStringLiteral("sheet/colour"), true).toBool();
    if (kept.contains(QStringLiteral("sheet/parts"))) {
        out.parts.clear();
        for (const QString& part : kept.value(QStringLiteral("sheet/parts")).toStringList())
            if (const auto known = partFrom(part.toStdString())) out.parts.insert(*known);
    }
    return out;
}

void keep(const SheetSettings& settings) {
    QSettings kept;
    const auto text = [](std::string_view word) {
        return QString::fromLatin1(word.data(), static_cast<qsizetype>(word.size()));
    };
    kept.setValue(QStringLiteral("sheet/layout"), text(layoutWord(settings.layout)));
    kept.setValue(QStringLiteral("sheet/paper"), text(paperWord(settings.paper)));
    kept.setValue(QStringLiteral("sheet/landscape"), settings.landscape);
    kept.setValue(QStringLiteral("sheet/colour"), settings.colour);
    QStringList parts;
    for (const SheetPart part : settings.parts) parts << text(partWord(part));
    kept.setValue(QStringLiteral("sheet/parts"), parts);
}

/// The bundle of the open patch, to travel in its sheet; empty, and the sheet goes without, if a file of it is gone.
std::string bundleOf(const Document& document) {
    if (!document.housing()) return {};
    const auto made = gatherBundle(*document.housing(), document.patch(), dataFolder(), document.workspace().own);
    return made ? bundleBytes(*made).value_or(std::string()) : std::string();
}

} // namespace

SheetPlace::SheetPlace(const Session& session, QWidget* parent)
    : Place(parent), session_(session), settings_(keptSettings()) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(makeBar());
    scroll_ = new QScrollArea;
    scroll_->setFrameShape(QFrame::NoFrame);
    scroll_->setWidgetResizable(true);
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll_->setAccessibleName(tr("Patch sheet, page by page"));
    auto* page = new QWidget;
    list_ = new QVBoxLayout(page);
    list_->setContentsMargins(20, 8, 20, 20);
    list_->setSpacing(16);
    note_ = new QLabel(tr("The sheet is being worked out…"));
    list_->addWidget(note_, 0, Qt::AlignHCenter);
    list_->addStretch();
    scroll_->setWidget(page);
    layout->addWidget(scroll_, 1);
    connect(&session_.checker, &Checker::findingsChanged, this, [this] {
        stale_ = true;
        if (isVisible()) refresh();
        writeWhatWaits();
    });
    const auto forget = [this](const QString& why) {
        if (waiting_.isEmpty()) return;
        waiting_.clear();
        Q_EMIT message(why, true);
    };
    connect(
        &session_.document, &Document::replaced, this,
        [forget] { forget(tr("The sheet of the other patch was not saved.")); }, Qt::QueuedConnection);
    const auto ended = [this, forget] {
        if (session_.checker.settled()) forget(tr("The sheet was not saved: working it out was stopped."));
    };
    connect(&session_.jobs, &Jobs::changed, this, ended, Qt::QueuedConnection);
}

/// Layout, paper, what stands on it, and the ways to a file.
QWidget* SheetPlace::makeBar() {
    auto* bar = new QWidget;
    auto* across = new QHBoxLayout(bar);
    across->setContentsMargins(20, 10, 20, 2);
    across->setSpacing(8);
    const auto combo = [&](const char* name, const QString& what, const QStringList& choices) {
        auto* made = new QComboBox;
        made->setObjectName(QString::fromLatin1(name));
        made->setAccessibleName(what);
        made->setToolTip(what);
        made->setFont(textFont(13));
        made->addItems(choices);
        across->addWidget(made);
        return made;
    };
    layout_ = combo("sheet-layout", tr("Layout"), {tr("One page"), tr("Workbook"), tr("Archive")});
    paper_ = combo("sheet-paper", tr("Paper"), {QStringLiteral("A4"), QStringLiteral("A5"), QStringLiteral("Letter")});
    turned_ = combo("sheet-turned", tr("Upright or across"), {tr("upright"), tr("across")});
    colour_ = new QCheckBox(tr("Colour"));
    colour_->setObjectName(QStringLiteral("sheet-colour"));
    colour_->setFont(textFont(13));
    colour_->setToolTip(tr("Without it, kinds of signal differ by their marks and lines"));
    across->addWidget(colour_);
    auto* contents = plainButton(tr("Contents"), "sheet-contents");
    contents_ = new QMenu(contents);
    for (int part = 0; part < kSheetParts; ++part) {
        QAction* action = contents_->addAction(said(partName(static_cast<SheetPart>(part))));
        action->setObjectName(QStringLiteral("sheet-part-") +
                              QString::fromLatin1(partWord(static_cast<SheetPart>(part))));
        action->setCheckable(true);
        connect(action, &QAction::toggled, this, [this, part](bool on) {
            SheetSettings next = settings_;
            if (on)
                next.parts.insert(static_cast<SheetPart>(part));
            else
                next.parts.erase(static_cast<SheetPart>(part));
            choose(next);
        });
    }
    contents->setMenu(contents_);
    across->addWidget(contents);
    across->addStretch();
    const auto button = [&](const QString& text, const QString& suffix) {
        auto* made = plainButton(text, ("save-" + suffix.toStdString()).c_str());
        connect(made, &QPushButton::clicked, this, [this, suffix] { saveAs(suffix); });
        across->addWidget(made);
    };
    button(tr("Save as PDF…"), QStringLiteral("pdf"));
    auto* others = plainButton(tr("Save as"), "save-others");
    auto* menu = new QMenu(others);
    for (const auto& [suffix, name] : kinds()) {
        if (suffix == QLatin1String("pdf")) continue;
        QAction* action = menu->addAction(name, this, [this, suffix = suffix] { saveAs(suffix); });
        action->setObjectName(QStringLiteral("save-") + suffix);
    }
    others->setMenu(menu);
    across->addWidget(others);
    connect(layout_, &QComboBox::activated, this, [this](int index) {
        SheetSettings next = settingsFor(static_cast<SheetLayout>(index));
        next.paper = settings_.paper;
        next.colour = settings_.colour;
        choose(next);
    });
    const auto changed = [this] {
        SheetSettings next = settings_;
        next.paper = static_cast<Paper>(paper_->currentIndex());
        next.landscape = turned_->currentIndex() == 1;
        next.colour = colour_->isChecked();
        choose(next);
    };
    connect(paper_, &QComboBox::activated, this, changed);
    connect(turned_, &QComboBox::activated, this, changed);
    connect(colour_, &QCheckBox::toggled, this, changed);
    showSettings();
    return bar;
}

void SheetPlace::showSettings() {
    const QSignalBlocker quiet(colour_);
    layout_->setCurrentIndex(static_cast<int>(settings_.layout));
    paper_->setCurrentIndex(static_cast<int>(settings_.paper));
    turned_->setCurrentIndex(settings_.landscape ? 1 : 0);
    colour_->setChecked(settings_.colour);
    const QList<QAction*> parts = contents_->actions();
    for (int part = 0; part < parts.size(); ++part) {
        const QSignalBlocker still(parts[part]);
        parts[part]->setChecked(settings_.has(static_cast<SheetPart>(part)));
    }
}

void SheetPlace::choose(const SheetSettings& settings) {
    if (settings == settings_) return;
    settings_ = settings;
    keep(settings_);
    showSettings();
    stale_ = true;
    if (isVisible()) refresh();
}

void SheetPlace::addActionsForAll(const Menus& menus) {
    addNamed(menus.patch, "sheet-pdf", tr("Patch sheet as &PDF…"), this, [this] { saveAs(QStringLiteral("pdf")); });
    addNamed(menus.patch, "sheet-html", tr("Patch sheet as &HTML…"), this, [this] { saveAs(QStringLiteral("html")); });
    addNamed(menus.patch, "sheet-markdown", tr("Patch sheet as &Markdown…"), this,
             [this] { saveAs(QStringLiteral("md")); });
    menus.patch.addSeparator();
}

void SheetPlace::showEvent(QShowEvent* event) {
    Place::showEvent(event);
    session_.checker.keepSheet(true);
    if (stale_) refresh();
}

void SheetPlace::hideEvent(QHideEvent* event) {
    Place::hideEvent(event);
    session_.checker.keepSheet(false);
}

void SheetPlace::resizeEvent(QResizeEvent* event) {
    Place::resizeEvent(event);
    fit();
}

void SheetPlace::refresh() {
    stale_ = false;
    for (QLabel* page : pages_) page->deleteLater();
    pages_.clear();
    const Checker& checker = session_.checker;
    note_->setVisible(!checker.hasSheet());
    if (!checker.hasSheet()) return;
    for (const QImage& image : drawPages(checker.sheet(), settings_)) {
        auto* label = new QLabel;
        label->setScaledContents(true);
        label->setPixmap(QPixmap::fromImage(image));
        label->setFrameShape(QFrame::Box);
        label->setAccessibleName(tr("Page %1").arg(pages_.size() + 1));
        list_->insertWidget(static_cast<int>(pages_.size()), label, 0, Qt::AlignHCenter);
        pages_.push_back(label);
    }
    fit();
}

/// Pages are as wide as the place allows, up to their own size.
void SheetPlace::fit() {
    for (QLabel* page : pages_) {
        const QSize size = page->pixmap().size();
        const int width = std::min(size.width(), scroll_->viewport()->width() - 40);
        page->setFixedSize(width, size.height() * width / size.width());
    }
}

void SheetPlace::saveAs(const QString& suffix) {
    const QString ending = QLatin1Char('.') + suffix;
    const QString name = QString::fromStdString(session_.document.patch().title).left(60) + ending;
    QString filter;
    for (const auto& [one, what] : kinds())
        if (one == suffix)
            filter = QString(what).remove(QChar(0x2026)) + QStringLiteral(" (*") + ending + QLatin1Char(')');
    const QString file = askWhereToSave(this, tr("Save the patch sheet"), name, filter, {ending});
    if (!file.isEmpty()) write(file);
}

void SheetPlace::write(const QString& file) {
    waiting_ = file;
    writeWhatWaits();
    if (waiting_.isEmpty()) return;
    session_.checker.askForSheet();
    Q_EMIT message(tr("The sheet is being worked out, and saved as soon as it is."), false);
}

void SheetPlace::writeWhatWaits() {
    if (waiting_.isEmpty() || !session_.checker.sheetIsReady()) return;
    const QString file = std::exchange(waiting_, {});
    if (const QString& problem = session_.checker.problem(); !problem.isEmpty()) {
        Q_EMIT message(problem, true);
        return;
    }
    const Sheet& sheet = session_.checker.sheet();
    const std::filesystem::path path = file.toStdString();
    const auto text = [&](const std::string& all) { return writeFile(path, all, FileKind::Text); };
    const std::string ending = path.extension().string();
    const auto written =
        ending == ".md"     ? text(writeMarkdown(sheet, settings_))
        : ending == ".svg"  ? text(writeSvg(sheet, settings_, carriedInSvg(bundleOf(session_.document))))
        : ending == ".html" ? text(sheetHtml(sheet, settings_, carriedInHtml(bundleOf(session_.document))))
        : ending == ".csv"
            ? text(file.endsWith(QLatin1String(".knobs.csv")) ? writeKnobCsv(sheet) : writeCableCsv(sheet))
        : ending == ".dot" ? text(writeDot(sheet))
                           : writePdf(sheet, settings_, bundleOf(session_.document), path);
    if (written)
        Q_EMIT message(tr("The patch sheet is in %1.").arg(file), false);
    else
        Q_EMIT message(said(written.error()), true);
}

} // namespace lariat
