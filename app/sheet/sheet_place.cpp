#include "sheet/sheet_place.h"

#include "model/file.h"
#include "print/pdf.h"
#include "shell/theme.h"
#include "widgets/file_dialog.h"

#include <QHBoxLayout>
#include <QPushButton>

namespace lariat {

SheetPlace::SheetPlace(const Session& session, QWidget* parent) : Place(parent), session_(session) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* bar = new QHBoxLayout;
    bar->setContentsMargins(20, 10, 20, 2);
    const auto button = [&](const QString& text, const QString& suffix) {
        auto* made = new QPushButton(text);
        made->setObjectName(QStringLiteral("save-") + suffix);
        connect(made, &QPushButton::clicked, this, [this, suffix] { saveAs(suffix); });
        bar->addWidget(made);
    };
    button(tr("Save as PDF…"), QStringLiteral("pdf"));
    button(tr("Save as Markdown…"), QStringLiteral("md"));
    bar->addStretch();
    layout->addLayout(bar);
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

void SheetPlace::addActionsForAll(const Menus& menus) {
    addNamed(menus.patch, "sheet-pdf", tr("Patch sheet as &PDF…"), this, [this] { saveAs(QStringLiteral("pdf")); });
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
    for (const QImage& image : drawPages(checker.sheet())) {
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
    const QString filter = suffix == QLatin1String("pdf") ? tr("PDF (*.pdf)") : tr("Markdown (*.md)");
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
    const auto written =
        path.extension() == ".md" ? writeFile(path, writeMarkdown(sheet), FileKind::Text) : writePdf(sheet, path);
    if (written)
        Q_EMIT message(tr("The patch sheet is in %1.").arg(file), false);
    else
        Q_EMIT message(said(written.error()), true);
}

} // namespace lariat
