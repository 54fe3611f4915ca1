#include "patch/tie_line.h"

#include "library/tie.h"
#include "look/fonts.h"

#include <QAbstractItemView>
#include <QCompleter>

namespace lariat {

TieLine::TieLine(const Session& session, QWidget* parent) : QLineEdit(parent), session_(session) {
    setFont(figureFont(13));
    setPlaceholderText(tr("tie: osc a saw to filter in 1"));
    setAccessibleName(tr("Tie line"));
    setToolTip(tr("Write which output goes to which input, then press Enter (Ctrl+T)"));
    setClearButtonEnabled(true);
    auto* completer = new QCompleter(&offered_, this);
    completer->setCompletionMode(QCompleter::UnfilteredPopupCompletion);
    completer->setMaxVisibleItems(12);
    completer->popup()->setFont(figureFont(13));
    setCompleter(completer);
    connect(this, &QLineEdit::textEdited, this, &TieLine::offer);
    connect(completer, qOverload<const QString&>(&QCompleter::activated), this, [this](const QString& text) {
        // A sentence that is still without its input goes on being completed.
        if (text.endsWith(QLatin1Char(' '))) QMetaObject::invokeMethod(this, &TieLine::offer, Qt::QueuedConnection);
    });
    connect(this, &QLineEdit::returnPressed, this, &TieLine::tie);
}

void TieLine::focusInEvent(QFocusEvent* event) {
    QLineEdit::focusInEvent(event);
    if (event->reason() == Qt::ShortcutFocusReason) selectAll();
}

void TieLine::offer() {
    QStringList sentences;
    for (const std::string& text :
         completeTie(this->text().toStdString(), session_.document.patch(), session_.document.library()))
        sentences << QString::fromStdString(text);
    offered_.setStringList(sentences);
    if (!sentences.isEmpty() && !text().isEmpty()) completer()->complete();
}

void TieLine::tie() {
    if (text().trimmed().isEmpty()) return;
    const Patch& patch = session_.document.patch();
    const auto read = readTie(text().toStdString(), patch, session_.document.library());
    if (!read) {
        Q_EMIT message(QString::fromStdString(read.error().reason), true);
        return;
    }
    const QString sentence =
        QString::fromStdString(tieName(read->cable.from, patch, session_.document.library()) + " to " +
                               tieName(read->cable.to, patch, session_.document.library()));
    const JackRef to = read->cable.to;
    if (!session_.document.apply({*read}, tr("tie %1").arg(sentence))) return;
    clear();
    Q_EMIT message(tr("Tied %1.").arg(sentence), false);
    Q_EMIT tied(session_.document.patch().cableInto(to)->id);
}

} // namespace lariat
