#include "widgets/state_tools.h"

#include "building/states.h"
#include "look/text.h"
#include "widgets/plain.h"

#include <QGridLayout>
#include <QInputDialog>
#include <QPointer>

namespace lariat {

StateTools::StateTools(const Session& session, const std::string& post, QWidget* parent)
    : QWidget(parent), session_(session), post_(post) {
    session_.sound.engine().told(post_); // from now on it tells
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 2, 0, 2);
    auto* keep = plainButton(tr("Catch this state…"), "catch-state");
    keep->setToolTip(tr("Keeps the eight bits that it holds now, and its knobs, under a name"));
    connect(keep, &QPushButton::clicked, this, &StateTools::catchNow);
    states_ = new QComboBox;
    states_->setObjectName(QStringLiteral("states"));
    states_->setAccessibleName(tr("States that were caught"));
    states_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    states_->setMinimumContentsLength(8);
    connect(states_, &QComboBox::activated, this, &StateTools::goTo);
    forget_ = plainButton(tr("Forget"), "forget-state");
    forget_->setToolTip(tr("Takes the chosen state out of the patch"));
    connect(forget_, &QPushButton::clicked, this, &StateTools::forget);
    grid->addWidget(keep, 0, 0, 1, 2);
    grid->addWidget(states_, 1, 0);
    grid->addWidget(forget_, 1, 1);
    grid->setColumnStretch(0, 1);
    refresh();
}

/// The list may be open while the patch changes by other hands: it is filled anew only where there are other states.
void StateTools::refresh() {
    QStringList names{tr("Go to a state")};
    for (const CaughtState& one : caughtStates(session_.document.patch(), session_.document.library(), post_))
        names << q(one.name);
    QStringList before;
    for (int i = 0; i < states_->count(); ++i) before << states_->itemText(i);
    if (names == before) return;
    const QString chosen = states_->currentData().toString();
    states_->clear();
    for (const QString& name : names) states_->addItem(name, states_->count() > 0 ? name : QString());
    states_->setEnabled(states_->count() > 1);
    choose(chosen);
}

void StateTools::choose(const QString& name) {
    states_->setCurrentIndex(std::max(0, name.isEmpty() ? 0 : states_->findData(name)));
    forget_->setEnabled(states_->currentIndex() > 0);
}

bool StateTools::apply(const Result<Edits>& edits, const QString& name) {
    if (!edits) Q_EMIT message(said(edits.error()), true);
    return edits && (edits->empty() || session_.document.apply(*edits, name));
}

/// The bits are those of the moment at which the button was pressed, not of when the name was written.
void StateTools::catchNow() {
    const auto told = session_.sound.engine().told(post_);
    if (!told) {
        Q_EMIT message(tr("Let the patch play first: what it holds then is what is caught."), true);
        return;
    }
    const auto bits = static_cast<unsigned>(told->read()[0]);
    const QPointer<StateTools> here(this); // another post may be chosen while the name is asked for
    bool ok = false;
    const QString name = QInputDialog::getText(window(), tr("Catch this state"),
                                               tr("What is it called? It holds %1.").arg(bits, 8, 2, QLatin1Char('0')),
                                               QLineEdit::Normal, {}, &ok)
                             .trimmed();
    if (!ok || !here) return;
    const auto caught =
        catchState(session_.document.patch(), session_.document.library(), post_, bits, name.toStdString());
    if (!apply(caught, tr("catch state %1").arg(name)) || !here) return;
    choose(name);
    keepTake(name.toStdString());
}

/// A take of its own kind: a patch that begins at the state, so that it is heard again exactly.
void StateTools::keepTake(const std::string& name) {
    const Patch& patch = session_.document.patch();
    if (!session_.log || !patch.post(post_)) return;
    const auto there = goToState(patch, session_.document.library(), post_, name).and_then([&](const Edits& edits) {
        return applyEdits(patch, edits);
    });
    if (there) session_.log->keepCaught(*there, patch.post(post_)->name + ": " + name);
}

void StateTools::goTo() {
    const QString name = states_->currentData().toString();
    forget_->setEnabled(!name.isEmpty());
    if (name.isEmpty()) return;
    const QPointer<StateTools> here(this);
    const auto edits = goToState(session_.document.patch(), session_.document.library(), post_, name.toStdString());
    const bool went = apply(edits, tr("go to state %1").arg(name));
    if (!here) return;
    choose(went ? name : QString());
    if (went) Q_EMIT restoreWanted(); // its knobs may stand there already while the register has gone on
}

void StateTools::forget() {
    const QString name = states_->currentData().toString();
    apply(forgetState(session_.document.patch(), session_.document.library(), post_, name.toStdString()),
          tr("forget state %1").arg(name));
}

} // namespace lariat
