#include "widgets/jack_chooser.h"

#include "library/meaning.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/jack_state.h"
#include "widgets/plug_warning.h"

#include <QGridLayout>
#include <QIcon>
#include <QKeyEvent>
#include <QPainter>
#include <QPixmap>

#include <algorithm>

namespace lariat {
namespace {

QIcon markOf(SignalKind kind) {
    QPixmap pixmap(16, 16);
    pixmap.fill(Qt::transparent);
    QPainter painter(&pixmap);
    drawEndMark(painter, {14, 8}, kind, 1, look().kind(kind));
    return pixmap;
}

} // namespace

JackChooser::JackChooser(const Session& session, std::string from, std::string to, QWidget* parent)
    : QFrame(parent, Qt::Popup), session_(session), from_(std::move(from)), to_(std::move(to)) {
    setAttribute(Qt::WA_DeleteOnClose);
    setFrameShape(QFrame::Box);
    const Patch& patch = session_.document.patch();
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(12, 10, 12, 12);
    const auto column = [&](int place, const QString& title) {
        auto* label = new QLabel(title);
        label->setFont(textFont(13, true));
        auto* list = new QListWidget;
        list->setMinimumSize(220, 190);
        list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        list->setAccessibleName(title);
        label->setBuddy(list);
        grid->addWidget(label, 0, place);
        grid->addWidget(list, 1, place);
        return list;
    };
    outputs_ = column(0, tr("Out of %1").arg(q(patch.post(from_)->name)));
    inputs_ = column(1, tr("Into %1").arg(q(patch.post(to_)->name)));
    effect_ = new QLabel;
    effect_->setWordWrap(true);
    effect_->setMinimumHeight(36);
    tie_ = new QPushButton(tr("Tie"));
    tie_->setDefault(true);
    grid->addWidget(effect_, 2, 0);
    grid->addWidget(tie_, 2, 1, Qt::AlignRight | Qt::AlignBottom);
    fillOutputs();
    connect(outputs_, &QListWidget::currentRowChanged, this, &JackChooser::fillInputs);
    connect(inputs_, &QListWidget::currentRowChanged, this, &JackChooser::describe);
    connect(inputs_, &QListWidget::itemActivated, this, &JackChooser::accept);
    connect(tie_, &QPushButton::clicked, this, &JackChooser::accept);
    outputs_->setCurrentRow(0);
    fillInputs();
    outputs_->setFocus();
}

/// Free outputs first: a used one is split.
void JackChooser::fillOutputs() {
    const Patch& patch = session_.document.patch();
    const Post& post = *patch.post(from_);
    struct Entry {
        int rank;
        const JackInfo* jack;
        JackState state;
    };
    std::vector<Entry> entries;
    for (const JackInfo& jack : session_.document.library().part(post)->jacks) {
        if (!jack.output) continue;
        JackState state = jackState({from_, jack.id}, patch, session_.document.library(), {});
        entries.push_back({state.used ? 1 : 0, &jack, std::move(state)});
    }
    std::ranges::stable_sort(entries, {}, &Entry::rank);
    for (const Entry& entry : entries) {
        auto* item = new QListWidgetItem(markOf(entry.jack->kind),
                                         q(jackWord(patch, session_.document.library(), {from_, entry.jack->id})) +
                                             (entry.state.used ? QStringLiteral("  ") + entry.state.text : QString()),
                                         outputs_);
        item->setData(Qt::UserRole, q(entry.jack->id));
    }
}

/// Free inputs of the chosen output's kind first; taken ones cannot be chosen.
void JackChooser::fillInputs() {
    const Patch& patch = session_.document.patch();
    const Post& post = *patch.post(to_);
    const JackInfo* from = session_.document.library().jack(patch, output());
    const QSignalBlocker quiet(inputs_);
    inputs_->clear();
    struct Entry {
        int rank;
        const JackInfo* jack;
        bool taken;
    };
    std::vector<Entry> entries;
    for (const JackInfo& jack : session_.document.library().part(post)->jacks) {
        if (jack.output) continue;
        const bool taken = patch.cableInto({to_, jack.id}) != nullptr;
        entries.push_back({taken ? 2 : from && from->kind == jack.kind ? 0 : 1, &jack, taken});
    }
    std::ranges::stable_sort(entries, {}, &Entry::rank);
    for (const Entry& entry : entries) {
        auto* item = new QListWidgetItem(
            markOf(entry.jack->kind),
            q(jackWord(session_.document.patch(), session_.document.library(), {to_, entry.jack->id})) +
                (entry.taken ? tr("  taken") : QString()),
            inputs_);
        item->setData(Qt::UserRole, q(entry.jack->id));
        if (entry.taken) item->setFlags(Qt::NoItemFlags);
    }
    if (inputs_->count() > 0 && inputs_->item(0)->flags() != Qt::NoItemFlags) inputs_->setCurrentRow(0);
    describe();
}

JackRef JackChooser::output() const {
    return outputs_->currentItem()
               ? JackRef{from_, outputs_->currentItem()->data(Qt::UserRole).toString().toStdString()}
               : JackRef{};
}

JackRef JackChooser::input() const {
    return inputs_->currentItem() ? JackRef{to_, inputs_->currentItem()->data(Qt::UserRole).toString().toStdString()}
                                  : JackRef{};
}

/// Says what the plug will break before it goes in.
void JackChooser::describe() {
    const Patch& patch = session_.document.patch();
    QString text;
    if (outputs_->count() == 0)
        text = tr("This post has no output.");
    else if (inputs_->count() == 0)
        text = tr("This post has no input.");
    else if (input().post.empty())
        text = tr("Every input here is taken.");
    if (const QString warning = plugWarning(patch, session_.document.library(), output(), input()); !warning.isEmpty())
        text = warning;
    effect_->setText(text);
    tie_->setEnabled(!output().post.empty() && !input().post.empty());
}

void JackChooser::accept() {
    if (output().post.empty() || input().post.empty()) return;
    const JackRef from = output();
    const JackRef to = input();
    close();
    Q_EMIT chosen(from, to);
}

void JackChooser::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter)
        accept();
    else
        QFrame::keyPressEvent(event);
}

} // namespace lariat
