// What the Plan place shows of a plan: who plays what, what is short, the goals, and what was found.
#include "plan/plan_place.h"

#include "look/fonts.h"
#include "look/text.h"
#include "plan/recipe_words.h"
#include "plan/role_row.h"
#include "shell/theme.h"
#include "widgets/plain.h"

#include <QRadioButton>
#include <QVBoxLayout>

#include <algorithm>

namespace lariat {

void PlanPlace::showPlan() {
    const Plan* now = plan();
    status_->setStyleSheet(QStringLiteral("color: %1").arg(look().softInk.name()));
    if (!planned_) {
        status_->setText(problem_.isEmpty() ? tr("Planning…") : problem_);
    } else if (planned_->shortage) {
        status_->setText({});
    } else {
        const auto& plans = planned_->plans;
        QString text = tr("Plan %1 of %2").arg(which_ + 1).arg(plans.size());
        if (!now->allotment.proven)
            text += tr(" · the best that was found in time; none can need less than %1 cables' worth")
                        .arg(now->allotment.bound, 0, 'f', 1);
        else if (which_ == 0)
            text += tr(" · nothing in this case does it with less");
        status_->setText(text);
    }
    status_->setVisible(!status_->text().isEmpty());
    showRoles();
    showGoals();
    dials_->show({});
    found_->setText({});
    ear_->setText({});
    if (now && sought_) {
        const Patch& patch = now->after;
        std::vector<FoundDials::Dial> dials;
        QStringList sensitive;
        for (const std::size_t i : sought_->bySensitivity()) {
            const FoundKnob& one = sought_->knobs[i];
            const Post& post = *patch.post(one.post);
            const KnobInfo& knob = *session_.document.library().part(post)->knob(one.knob);
            const auto part = [&](double value) { return knob.scale.toFraction(value); };
            const QString name = q(post.name) + QLatin1Char(' ') + q(knob.name);
            dials.push_back({name,
                             q(knob.scale.text(one.value)) + QStringLiteral(" · ") + q(clockHand(part(one.value))),
                             part(one.value), part(one.low), part(one.high), sought_->met});
            if (sought_->met)
                sensitive << tr("%1 %2…%3").arg(name, q(clockHand(part(one.low))), q(clockHand(part(one.high))));
        }
        found_->setText(sought_->met
                            ? tr("Found after %n silent run(s). The arc is where every goal still holds; the most "
                                 "sensitive first: %1.",
                                 nullptr, sought_->runs)
                                  .arg(sensitive.join(QStringLiteral(", ")))
                            : tr("Not all goals can be met with these knobs. This is the nearest that %n silent run(s) "
                                 "found.",
                                 nullptr, sought_->runs));
        dials_->show(std::move(dials));
    }
    if (now && !planned_->recipe.ear.empty()) {
        QStringList texts;
        for (const std::string& one : planned_->recipe.ear) texts << inRecipes(one);
        ear_->setText(tr("For your ear: %1.").arg(texts.join(QStringLiteral("; "))));
    }
    found_->setVisible(!found_->text().isEmpty());
    dials_->setVisible(!dials_->dials().empty());
    ear_->setVisible(!ear_->text().isEmpty());
    const auto plans = planned_ && !planned_->shortage ? planned_->plans.size() : 0;
    other_->setText(plans > 1 ? tr("Other plans (%1)").arg(plans - 1) : tr("Other plans"));
    other_->setEnabled(plans > 1);
    for (QPushButton* one : {hear_, into_, find_}) one->setEnabled(now != nullptr);
    buildWith_->setEnabled(now != nullptr || !session_.document.patch().cables.empty());
    // Where a recipe says of no knob that it may be turned, there is nothing to find.
    if (now) find_->setEnabled(!trimsOf(*planned_, *now).empty());
    QStringList kinds;
    if (now) {
        std::map<std::pair<int, std::string>, int> taken;
        int none = 0;
        for (const PlannedCable& cable : now->cables)
            cable.taken.lengthCm > 0 ? ++taken[{cable.taken.lengthCm, cable.taken.colour}] : ++none;
        for (const auto& [kind, count] : taken)
            kinds << tr("%1 × %2 cm %3")
                         .arg(count)
                         .arg(kind.first)
                         .arg(QCoreApplication::translate("core", kind.second.c_str()));
        if (none > 0) kinds << tr("%n missing", nullptr, none);
        QString text = tr("%n cable(s) to tie", nullptr, now->tied);
        if (now->taken > 0) text += tr(", %n to take out", nullptr, now->taken);
        if (now->stays > 0) text += tr(", %n stay", nullptr, now->stays);
        if (!kinds.isEmpty()) text += QStringLiteral(": ") + kinds.join(QStringLiteral(", "));
        for (const Sentence& remark : now->remarks) text += QLatin1Char('\n') + said(remark);
        for (const std::string& caution : planned_->recipe.cautions) text += QLatin1Char('\n') + inRecipes(caution);
        cables_->setText(text);
    } else {
        cables_->setText({});
    }
}

void PlanPlace::showRoles() {
    emptyLayout(roles_);
    const Plan* now = plan();
    if (planned_ && planned_->shortage) showShortage();
    if (!now) return;
    const Library& library = session_.document.library();
    for (const Casting& cast : now->allotment.castings) {
        const Role* role = planned_->recipe.role(cast.role);
        if (!cast.seat || !role) continue;
        const Seat& seat = *cast.seat;
        const ModuleInfo& module = *library.module(seat.module);
        QString where = q(module.description.name);
        if (module.parts.size() > 1) where += QStringLiteral(": ") + q(seat.part->name);
        if (seat.provider->channels > 1) where += QLatin1Char(' ') + QString::number(seat.channel);
        const Slot* slot = session_.document.housing() ? session_.document.housing()->slot(seat.slot) : nullptr;
        QString why = seat.provider->standsIn() ? tr("stands in: %1").arg(said(seat.provider->because))
                      : !cast.post.empty()      ? tr("in use already")
                      : slot                    ? tr("free, row %1").arg(slot->row)
                                                : QString();
        if (slot && !slot->from.empty()) why += tr(", borrowed from %1").arg(q(slot->from));
        roles_->addWidget(new RoleRow(q(role->name), where, why, seat.provider->standsIn()));
    }
    for (std::size_t c = 0; c < now->allotment.routings.size(); ++c) {
        if (now->allotment.routings[c].way != Routing::Way::BehindPanel) continue;
        const RecipeCable& cable = planned_->recipe.cables[c];
        const Role* from = planned_->recipe.role(cable.from.role);
        const Role* to = planned_->recipe.role(cable.to.role);
        if (from && to)
            roles_->addWidget(new RoleRow(tr("%1 to %2").arg(q(from->name), q(to->name)), tr("behind the panel"),
                                          tr("no cable is needed"), false));
    }
}

void PlanPlace::showShortage() {
    const Shortage& shortage = *planned_->shortage;
    auto* box = new QFrame;
    box->setObjectName(QStringLiteral("shortage"));
    box->setStyleSheet(QStringLiteral("QFrame#shortage { background: %1; border-left: 5px solid %2; }")
                           .arg(look().alarmGround.name(), look().alarm.name()));
    auto* list = new QVBoxLayout(box);
    list->setContentsMargins(14, 10, 12, 10);
    for (const ShortFunction& one : shortage.functions) {
        QString text = tr("%1: %2 wanted, %3 in this case")
                           .arg(QCoreApplication::translate("core", one.function.c_str()))
                           .arg(one.needs)
                           .arg(one.there);
        if (!one.usedBy.empty()) text += tr(", %n in use", nullptr, static_cast<int>(one.usedBy.size()));
        auto* label = plainLabel(text, look().ink, 13, true);
        QStringList users;
        for (const std::string& used : one.usedBy) users << q(used);
        label->setToolTip(users.join(QLatin1Char('\n')));
        list->addWidget(label);
    }
    const auto planned = std::ranges::count_if(shortage.ways, [](const WayRound& way) { return way.plan.has_value(); });
    list->addWidget(plainLabel(planned > 0 ? tr("Ways round it, the fewest moves first:")
                                           : tr("Nothing in this case gets round it by cables alone:"),
                               look().ink));
    for (std::size_t i = 0; i < shortage.ways.size(); ++i) {
        const WayRound& way = shortage.ways[i];
        const QString text =
            way.plan ? tr("%1 (%n cable(s) move)", nullptr, way.moves).arg(said(way.what)) : said(way.what);
        if (!way.plan) {
            list->addWidget(plainLabel(QStringLiteral("–  ") + text, look().ink));
            continue;
        }
        auto* choice = new QRadioButton(text);
        choice->setObjectName(QStringLiteral("way-%1").arg(i + 1));
        choice->setFont(textFont(13));
        choice->setChecked(i == which_);
        connect(choice, &QRadioButton::clicked, this, [this, i] {
            which_ = i;
            sought_.reset();
            readings_.clear();
            // This button goes with the page that is made anew.
            QTimer::singleShot(0, this, [this] {
                showPlan();
                measure();
            });
        });
        list->addWidget(choice);
    }
    roles_->addWidget(box);
}

void PlanPlace::showGoals() {
    emptyLayout(goals_);
    if (!plan()) return;
    if (readings_.empty()) {
        goals_->addWidget(
            plainLabel(measuring_ || planning_ ? tr("Measuring in a silent run…") : tr("none"), look().softInk));
        return;
    }
    for (const GoalReading& reading : readings_) {
        auto* line = new QHBoxLayout;
        auto* mark =
            plainLabel(reading.met() ? tr("holds") : tr("off"), reading.met() ? look().accent : look().alarm, 13, true);
        mark->setFixedWidth(44);
        auto* name = plainLabel(inRecipes(reading.goal.name), look().ink);
        auto* value = plainLabel(reading.measured ? q(reading.text()) : tr("nothing to measure"),
                                 reading.met() ? look().ink : look().alarm);
        value->setAlignment(Qt::AlignRight | Qt::AlignTop);
        value->setToolTip(tr("wanted: %1").arg(q(reading.wanted())));
        line->addWidget(mark, 0, Qt::AlignTop);
        line->addWidget(name, 1, Qt::AlignTop);
        line->addWidget(value, 0, Qt::AlignTop);
        goals_->addLayout(line);
    }
}

QString PlanPlace::shownText() const {
    QStringList texts;
    for (const QLabel* label : findChildren<QLabel*>())
        if (label->isVisible()) texts << label->text();
    return texts.join(QLatin1Char('\n'));
}

} // namespace lariat
