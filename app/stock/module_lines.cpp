#include "stock/module_lines.h"

#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"

#include <QPainter>
#include <QTextBlock>

#include <algorithm>

namespace lariat {

namespace {

constexpr int kMargin = 34;

} // namespace

/// Numbers of the lines, with a mark at faults.
class ModuleLines::Margin : public QWidget {
  public:
    explicit Margin(ModuleLines* lines) : QWidget(lines), lines_(lines) {}

  protected:
    void paintEvent(QPaintEvent* event) override { lines_->paintMargin(event); }

  private:
    ModuleLines* lines_;
};

ModuleLines::ModuleLines(QWidget* parent) : QPlainTextEdit(parent), margin_(new Margin(this)) {
    setObjectName(QStringLiteral("module-lines"));
    setAccessibleName(tr("The module, one thing a line"));
    setFont(figureFont(13));
    setLineWrapMode(QPlainTextEdit::WidgetWidth);
    setTabChangesFocus(true);
    setViewportMargins(kMargin, 0, 0, 0);
    connect(this, &QPlainTextEdit::updateRequest, this, [this](const QRect& rect, int dy) {
        if (dy != 0)
            margin_->scroll(0, dy);
        else
            margin_->update(0, rect.y(), margin_->width(), rect.height());
    });
}

void ModuleLines::resizeEvent(QResizeEvent* event) {
    QPlainTextEdit::resizeEvent(event);
    const QRect inside = contentsRect();
    margin_->setGeometry(inside.left(), inside.top(), kMargin, inside.height());
}

void ModuleLines::changeEvent(QEvent* event) {
    QPlainTextEdit::changeEvent(event);
    if (event->type() == QEvent::PaletteChange) mark();
}

void ModuleLines::paintMargin(QPaintEvent* event) {
    QPainter painter(margin_);
    painter.fillRect(event->rect(), look().panel);
    painter.setFont(figureFont(11));
    for (QTextBlock block = firstVisibleBlock(); block.isValid(); block = block.next()) {
        const QRectF box = blockBoundingGeometry(block).translated(contentOffset());
        if (box.top() > event->rect().bottom()) break;
        const int line = block.blockNumber() + 1;
        const auto fault = std::ranges::find(faults_, line, &Fault::line);
        if (fault != faults_.end()) painter.fillRect(QRectF(0, box.top(), kMargin, box.height()), look().alarmGround);
        painter.setPen(fault != faults_.end() ? look().alarm : look().softInk);
        painter.drawText(QRectF(0, box.top(), kMargin - 8, fontMetrics().height()), Qt::AlignRight | Qt::AlignVCenter,
                         QString::number(line));
    }
}

void ModuleLines::showFaults(const std::vector<Fault>& faults) {
    faults_ = faults;
    mark();
}

void ModuleLines::mark() {
    QList<QTextEdit::ExtraSelection> marks;
    for (const Fault& fault : faults_) {
        const QTextBlock block = document()->findBlockByNumber(fault.line - 1);
        if (fault.line < 1 || !block.isValid()) continue;
        QTextEdit::ExtraSelection one;
        one.cursor = QTextCursor(block);
        one.cursor.select(QTextCursor::LineUnderCursor);
        one.format.setUnderlineStyle(QTextCharFormat::WaveUnderline);
        one.format.setUnderlineColor(look().alarm);
        one.format.setToolTip(said(fault.reason));
        marks << one;
    }
    setExtraSelections(marks);
    margin_->update();
}

void ModuleLines::goToLine(int line) {
    const QTextBlock block = document()->findBlockByNumber(std::max(1, line) - 1);
    if (!block.isValid()) return;
    QTextCursor cursor(block);
    cursor.movePosition(QTextCursor::EndOfBlock);
    setTextCursor(cursor);
    setFocus();
}

void ModuleLines::exchange(const QString& text) {
    if (text == toPlainText()) return;
    QTextCursor cursor(document());
    cursor.beginEditBlock();
    cursor.select(QTextCursor::Document);
    cursor.insertText(text);
    cursor.endEditBlock();
}

} // namespace lariat
