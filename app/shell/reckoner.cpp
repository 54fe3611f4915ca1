#include "shell/reckoner.h"

#include "look/fonts.h"
#include "look/text.h"

#include <QClipboard>
#include <QGuiApplication>
#include <QHeaderView>
#include <QMimeData>
#include <QVBoxLayout>

namespace lariat {
namespace {

/// What is dragged out of it is the value as text, which knobs and steps understand.
class Answers : public QTreeWidget {
  public:
    using QTreeWidget::QTreeWidget;

  protected:
    [[nodiscard]] QMimeData* mimeData(const QList<QTreeWidgetItem*>& items) const override {
        if (items.isEmpty()) return nullptr;
        auto* data = new QMimeData;
        data->setText(items.front()->text(1));
        return data;
    }
};

} // namespace

Reckoner::Reckoner(const Document& document, double rate, QWidget* parent)
    : QDialog(parent, Qt::Tool), document_(document), rate_(rate) {
    setWindowTitle(tr("Reckoner"));
    setObjectName(QStringLiteral("reckoner"));
    resize(440, 420);
    auto* layout = new QVBoxLayout(this);
    line_ = new QLineEdit;
    line_->setObjectName(QStringLiteral("reckon"));
    line_->setFont(figureFont(14));
    line_->setAccessibleName(tr("What is to be reckoned"));
    line_->setPlaceholderText(QStringLiteral("112 bpm · d3 · 3/2 · 7 st from 5 v · 5 7 16"));
    line_->setMaxLength(120);
    why_ = new QLabel;
    why_->setFont(textFont(13));
    why_->setWordWrap(true);
    answers_ = new Answers;
    answers_->setObjectName(QStringLiteral("answers"));
    answers_->setFont(textFont(13));
    answers_->setColumnCount(2);
    answers_->setHeaderHidden(true);
    answers_->setRootIsDecorated(false);
    answers_->setDragEnabled(true);
    answers_->setAccessibleName(tr("Results"));
    answers_->setToolTip(tr("Drag a result onto a knob or a step, or press Enter on it to copy it."));
    answers_->header()->setSectionResizeMode(0, QHeaderView::Stretch);
    answers_->header()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
    answers_->header()->setStretchLastSection(false);
    layout->addWidget(line_);
    layout->addWidget(why_);
    layout->addWidget(answers_, 1);
    connect(line_, &QLineEdit::textChanged, this, &Reckoner::answer);
    connect(answers_, &QTreeWidget::itemActivated, this,
            [](QTreeWidgetItem* item) { QGuiApplication::clipboard()->setText(item->text(1)); });
    connect(&document_, &Document::changed, this, &Reckoner::answer);
    answer();
}

void Reckoner::open() {
    show();
    raise();
    activateWindow();
    line_->setFocus(Qt::ShortcutFocusReason);
    line_->selectAll();
}

void Reckoner::answer() {
    const auto made = reckon(line_->text().toStdString(), {tempoOf(document_.patch(), document_.library()), rate_});
    answers_->clear();
    why_->setVisible(!made);
    if (!made) {
        why_->setText(
            line_->text().trimmed().isEmpty()
                ? tr("A tempo (112 bpm), a time (62 ms), a pitch (d3, 440 hz, 0.35 v), a ratio (3/2), divisions "
                     "(d4 / 4 5 6), an attenuator (2 v at 38 %; 7 st from 5 v), a level (+4 dbu), or lengths "
                     "(5 7 16).")
                : said(made.error().reason));
        return;
    }
    for (const Reckoned& one : *made) answers_->addTopLevelItem(new QTreeWidgetItem({said(one.what), q(one.value)}));
}

} // namespace lariat
