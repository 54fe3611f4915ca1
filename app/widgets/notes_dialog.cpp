#include "widgets/notes_dialog.h"

#include "library/unknowns.h"
#include "look/fonts.h"
#include "look/text.h"
#include "model/file.h"
#include "plan/sheet_text.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QFileDialog>
#include <QHeaderView>
#include <QSplitter>
#include <QTextBlock>
#include <QVBoxLayout>

namespace lariat {
namespace {

constexpr int kReadAfterMilliseconds = 200;

} // namespace

NotesDialog::NotesDialog(const Workspace& workspace, const std::string& caseId, QWidget* parent)
    : QDialog(parent), workspace_(workspace) {
    setObjectName(QStringLiteral("read-notes"));
    setWindowTitle(tr("A patch from notes"));
    resize(980, 620);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 14, 16, 14);
    column->setSpacing(10);
    auto* head = new QHBoxLayout;
    head->addWidget(plainLabel(tr("In which case"), look().ink));
    case_ = new QComboBox;
    case_->setObjectName(QStringLiteral("notes-case"));
    case_->setAccessibleName(tr("In which case"));
    case_->setFont(textFont(13));
    for (const auto& [id, housing] : workspace_.cases) case_->addItem(q(housing.name), q(id));
    case_->setCurrentIndex(std::max(0, case_->findData(q(caseId))));
    head->addWidget(case_);
    head->addStretch();
    auto* file = plainButton(tr("Text from a file…"), "notes-file");
    head->addWidget(file);
    column->addLayout(head);
    auto* split = new QSplitter;
    text_ = new QPlainTextEdit;
    text_->setObjectName(QStringLiteral("notes-text"));
    text_->setAccessibleName(tr("Notes, a line each"));
    text_->setFont(figureFont(13));
    text_->setTabChangesFocus(true);
    text_->setPlaceholderText(
        tr("As you wrote it down:\n\nVCO1 saw -> VCF in, cutoff ~ 10 o'clock, res ?\nVCF -> VCA -> out\n"
           "env 1 to VCA, decay short\nseq: d3 d3 - f3\ntempo 112"));
    answers_ = new QTreeWidget;
    answers_->setObjectName(QStringLiteral("notes-answers"));
    answers_->setAccessibleName(tr("What each line was understood as"));
    answers_->setColumnCount(2);
    answers_->setHeaderHidden(true);
    answers_->setRootIsDecorated(false);
    answers_->setWordWrap(true);
    answers_->setFont(textFont(13));
    answers_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    answers_->header()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
    answers_->header()->setSectionResizeMode(1, QHeaderView::Stretch);
    // Wrapped lines are as high as the width makes them.
    connect(answers_->header(), &QHeaderView::sectionResized, this, &NotesDialog::fitHeights);
    split->addWidget(text_);
    split->addWidget(answers_);
    split->setStretchFactor(0, 1);
    split->setStretchFactor(1, 1);
    split->setChildrenCollapsible(false);
    column->addWidget(split, 1);
    auto* foot = new QHBoxLayout;
    sum_ = plainLabel({}, look().softInk);
    sum_->setObjectName(QStringLiteral("notes-sum"));
    foot->addWidget(sum_, 1);
    auto* cancel = plainButton(tr("Cancel"), "notes-cancel");
    open_ = plainButton(tr("Open as a new patch"), "notes-open");
    open_->setFont(textFont(13, true));
    open_->setEnabled(false);
    foot->addWidget(cancel);
    foot->addWidget(open_);
    column->addLayout(foot);
    typed_.setSingleShot(true);
    typed_.setInterval(kReadAfterMilliseconds);
    connect(&typed_, &QTimer::timeout, this, &NotesDialog::readNow);
    connect(text_, &QPlainTextEdit::textChanged, this, [this] { typed_.start(); });
    connect(case_, &QComboBox::activated, this, &NotesDialog::readNow);
    connect(cancel, &QPushButton::clicked, this, &QDialog::reject);
    connect(open_, &QPushButton::clicked, this, [this] {
        readNow();
        if (read_) accept();
    });
    connect(file, &QPushButton::clicked, this, [this] {
        const QString chosen =
            QFileDialog::getOpenFileName(this, tr("Text from a file"), {}, tr("Text (*.txt *.md);;All files (*)"));
        if (chosen.isEmpty()) return;
        const auto bytes = readFile(chosen.toStdString());
        if (bytes)
            text_->setPlainText(q(*bytes));
        else
            sum_->setText(said(bytes.error()));
    });
    connect(answers_, &QTreeWidget::currentItemChanged, this, [this](QTreeWidgetItem* item) {
        if (item) goToLine(item->data(0, Qt::UserRole).toInt());
    });
    text_->setFocus();
}

void NotesDialog::readNow() {
    typed_.stop();
    read_.reset();
    answers_->clear();
    open_->setEnabled(false);
    const std::string id = case_->currentData().toString().toStdString();
    const auto housing = workspace_.cases.find(id);
    const QString text = text_->toPlainText();
    if (housing == workspace_.cases.end() || text.trimmed().isEmpty()) {
        sum_->setText({});
        return;
    }
    Patch start;
    start.title = tr("From notes").toStdString();
    start.caseId = id;
    const std::string written = text.toStdString();
    auto made = isSheetText(written) ? readSheetText(written, workspace_)
                                     : readNotes(written, start, workspace_.library, housing->second);
    if (!made) {
        sum_->setText(said(made.error()));
        return;
    }
    showAnswers(*made);
    read_ = std::move(*made);
    open_->setEnabled(!read_->patch.posts.empty());
}

void NotesDialog::showAnswers(const NotesRead& notes) {
    for (const NoteAnswer& answer : notes.answers) {
        QStringList lines;
        for (const Sentence& one : answer.understood) lines << said(one);
        for (const Sentence& one : answer.failed) lines << tr("Not understood: %1").arg(said(one));
        if (!answer.choices.empty()) {
            QStringList choices;
            for (const std::string& one : answer.choices) choices << q(one);
            lines << tr("Perhaps: %1").arg(choices.join(QStringLiteral(", ")));
        }
        auto* item = new QTreeWidgetItem(answers_);
        item->setText(0, QString::number(answer.line));
        item->setText(1, lines.join(QLatin1Char('\n')));
        item->setTextAlignment(0, Qt::AlignRight | Qt::AlignTop);
        item->setForeground(0, look().softInk);
        item->setForeground(1, answer.whole() ? look().ink : look().alarm);
        item->setToolTip(1, q(answer.text));
        item->setData(0, Qt::UserRole, answer.line);
    }
    fitHeights();
    const auto unknown = static_cast<int>(unknownsOf(notes.patch, workspace_.library).size());
    sum_->setText(
        tr("%1 of %n line(s) understood", nullptr, static_cast<int>(notes.answers.size())).arg(notes.wholeLines()) +
        QStringLiteral(" · ") + tr("%n cable(s)", nullptr, static_cast<int>(notes.patch.cables.size())) +
        QStringLiteral(" · ") + tr("%n knob(s) unknown", nullptr, unknown));
}

/// Each answer gets the height that its lines take at this width; the tree alone counts too few where one is wrapped.
void NotesDialog::fitHeights() {
    constexpr int kAround = 12;
    const QFontMetrics metrics(answers_->font());
    const int width = std::max(60, answers_->columnWidth(1) - kAround);
    for (int i = 0; i < answers_->topLevelItemCount(); ++i) {
        QTreeWidgetItem* item = answers_->topLevelItem(i);
        const QRect lines = metrics.boundingRect(QRect(0, 0, width, 100'000), Qt::TextWordWrap, item->text(1));
        item->setSizeHint(1, {0, lines.height() + 4});
    }
}

void NotesDialog::goToLine(int line) {
    const QTextBlock block = text_->document()->findBlockByNumber(line - 1);
    if (!block.isValid()) return;
    QTextCursor cursor(block);
    cursor.movePosition(QTextCursor::EndOfBlock, QTextCursor::KeepAnchor);
    text_->setTextCursor(cursor);
}

} // namespace lariat
