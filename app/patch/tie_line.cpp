#include "patch/tie_line.h"

#include "building/sentences.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/plug_warning.h"

#include <QAbstractItemView>
#include <QClipboard>
#include <QCompleter>
#include <QGuiApplication>
#include <QKeyEvent>
#include <QPainter>
#include <QStyledItemDelegate>

namespace lariat {
namespace {

constexpr int kAbout = Qt::UserRole + 1;

/// A sentence, and at its right what is to be known of the jack.
class CompletionDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyledItemDelegate::paint(painter, option, index);
        painter->save();
        painter->setFont(textFont(13));
        painter->setPen(option.state.testFlag(QStyle::State_Selected) ? look().card : look().softInk);
        painter->drawText(option.rect.adjusted(0, 0, -8, 0), Qt::AlignRight | Qt::AlignVCenter,
                          index.data(kAbout).toString());
        painter->restore();
    }
};

} // namespace

TieLine::TieLine(const Session& session, QWidget* parent) : QLineEdit(parent), session_(session) {
    setFont(figureFont(13));
    setPlaceholderText(tr("tie: osc a saw to filter in 1"));
    setAccessibleName(tr("Tie line"));
    setToolTip(tr(
        "Write which output goes to which input, then press Enter (Ctrl+T). Several sentences can be pasted at once."));
    setClearButtonEnabled(true);
    auto* completer = new QCompleter(&offered_, this);
    completer->setCompletionMode(QCompleter::UnfilteredPopupCompletion);
    completer->setMaxVisibleItems(12);
    completer->popup()->setFont(figureFont(13));
    completer->popup()->setItemDelegate(new CompletionDelegate(completer));
    setCompleter(completer);
    connect(this, &QLineEdit::textEdited, this, &TieLine::offer);
    connect(completer, qOverload<const QString&>(&QCompleter::activated), this, [this](const QString& text) {
        // A sentence that is still without its input goes on being completed.
        if (text.endsWith(QLatin1Char(' '))) QMetaObject::invokeMethod(this, &TieLine::offer, Qt::QueuedConnection);
    });
    connect(this, &QLineEdit::returnPressed, this, &TieLine::tie);
    connect(this, &QLineEdit::textChanged, this, &TieLine::warn);
}

void TieLine::focusInEvent(QFocusEvent* event) {
    QLineEdit::focusInEvent(event);
    if (event->reason() == Qt::ShortcutFocusReason) selectAll();
}

void TieLine::offer() {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    offered_.clear();
    for (const Completion& one : completeSentence(text().toStdString(), patch, library, session_.document.housing())) {
        auto* item = new QStandardItem(QString::fromStdString(one.text));
        item->setData(said(one.about), kAbout);
        offered_.appendRow(item);
    }
    if (offered_.rowCount() > 0 && !text().isEmpty()) completer()->complete();
}

/// A list of sentences on the clipboard goes in as one step; a single one is pasted as text.
void TieLine::keyPressEvent(QKeyEvent* event) {
    const QString pasted = QGuiApplication::clipboard()->text().trimmed();
    if (event->matches(QKeySequence::Paste) && pasted.contains(QLatin1Char('\n'))) {
        tieAll(pasted);
        return;
    }
    QLineEdit::keyPressEvent(event);
}

void TieLine::tie() {
    if (!text().trimmed().isEmpty()) tieAll(text());
}

void TieLine::tieAll(const QString& sentences) {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const auto read = readSentences(sentences.toStdString(), patch, library, session_.document.housing());
    if (!read) {
        Q_EMIT message(said(read.error().reason), true);
        return;
    }
    QString broken;
    for (const Edit& edit : read->edits)
        if (const auto* tie = std::get_if<TieCable>(&edit))
            if (const QString warning = plugWarning(patch, library, tie->cable.from, tie->cable.to); !warning.isEmpty())
                broken += QLatin1Char(' ') + warning;
    const auto count = static_cast<int>(read->tied.size());
    if (!session_.document.apply(read->edits, count == 0   ? tr("write down knobs and names")
                                              : count == 1 ? tr("tie a cable")
                                                           : tr("tie %1 cables").arg(count)))
        return;
    clear();
    const Patch& now = session_.document.patch();
    QStringList done;
    QStringList taken;
    for (const std::string& one : read->taken) taken << QString::fromStdString(one);
    if (!taken.isEmpty()) done << tr("Took %1.").arg(taken.join(QStringLiteral("; ")));
    if (count == 1) {
        const JackRef& to = read->tied.front();
        done << tr("Tied %1 to %2.")
                    .arg(QString::fromStdString(tieName(now.cableInto(to)->from, now, library)),
                         QString::fromStdString(tieName(to, now, library)));
    } else if (count > 1) {
        done << tr("Tied %1 cables.").arg(count);
    }
    if (read->others > 0) done << tr("%n knob(s), names and notes set.", nullptr, static_cast<int>(read->others));
    Q_EMIT message(done.join(QLatin1Char(' ')) + broken, false);
    if (count > 0) Q_EMIT tied(now.cableInto(read->tied.back())->id);
}

/// Says what the plug would break as soon as the sentence is whole.
void TieLine::warn() {
    const Patch& patch = session_.document.patch();
    const auto read = readTie(text().toStdString(), patch, session_.document.library());
    const QString warning =
        read ? plugWarning(patch, session_.document.library(), read->cable.from, read->cable.to) : QString();
    if (warning == warned_) return;
    warned_ = warning;
    if (!warning.isEmpty()) Q_EMIT message(warning, false);
}

} // namespace lariat
