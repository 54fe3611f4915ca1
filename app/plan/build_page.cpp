#include "plan/build_page.h"

#include "library/meaning.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/look.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/frames.h"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QPainter>
#include <QVBoxLayout>

#include <algorithm>
#include <set>

namespace lariat {
namespace {

/// The signal in the cable that is tied, as the chart draws it.
class BuildTrace : public QWidget {
  public:
    BuildTrace(const Session& session, QWidget* parent) : QWidget(parent), session_(session) {
        setMinimumHeight(84);
        setMaximumHeight(260);
    }
    void show(const JackRef& output) {
        output_ = output;
        update();
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.setRenderHint(QPainter::Antialiasing);
        const Look& l = look();
        painter.fillRect(rect(), l.card);
        const LiveTrace* trace = session_.readings.trace(output_);
        if (!trace) return;
        const auto columns = session_.readings.columns(output_, width());
        const SignalKind kind = trace->reading().kind;
        drawTrace(painter, QRectF(rect()).adjusted(0, 6, 0, -6), columns, trace->range(), kind, l.kind(kind));
    }

  private:
    Session session_;
    JackRef output_;
};

QString jackName(const JackRef& ref, const Patch& patch, const Library& library) {
    const Post* post = patch.post(ref.post);
    return post ? q(post->name) + QStringLiteral("  ·  ") + q(jackWord(patch, library, ref)) : QString();
}

} // namespace

BuildPage::BuildPage(const Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setFocusPolicy(Qt::StrongFocus);
    auto* page = new QVBoxLayout(this);
    page->setContentsMargins(40, 24, 40, 24);
    page->setSpacing(12);
    const auto label = [&](int size, bool strong, const char* name) {
        auto* made = new QLabel;
        made->setFont(textFont(size, strong));
        made->setWordWrap(true);
        made->setTextFormat(Qt::PlainText);
        made->setObjectName(QString::fromLatin1(name));
        page->addWidget(made);
        return made;
    };
    count_ = label(15, false, "build-count");
    take_ = label(22, true, "build-take");
    from_ = label(26, true, "build-from");
    to_ = label(26, true, "build-to");
    knobs_ = label(17, false, "build-knobs");
    expect_ = label(17, false, "build-expect");
    trace_ = new BuildTrace(session, this);
    page->addWidget(trace_, 1);
    question_ = label(17, true, "build-question");
    auto* answers = new QHBoxLayout;
    const auto button = [&](QHBoxLayout* line, const QString& text, const char* name) {
        auto* made = new QPushButton(text);
        made->setObjectName(QString::fromLatin1(name));
        made->setFont(textFont(15));
        made->setAutoDefault(false);
        made->setMinimumHeight(36);
        line->addWidget(made);
        return made;
    };
    yes_ = button(answers, tr("Yes, that is there"), "build-yes");
    no_ = button(answers, tr("No, not that"), "build-no");
    answers->addStretch();
    page->addLayout(answers);
    page->addStretch(1);
    auto* foot = new QHBoxLayout;
    back_ = button(foot, tr("Back"), "build-back");
    next_ = button(foot, tr("Next row"), "build-next");
    wrong_ = button(foot, tr("I hear nothing, or something else"), "build-wrong");
    foot->addStretch();
    done_ = button(foot, tr("Back to the plan"), "build-done");
    page->addLayout(foot);
    connect(back_, &QPushButton::clicked, this, [this] { go(step_ - 1); });
    connect(next_, &QPushButton::clicked, this, [this] { go(step_ + 1); });
    connect(wrong_, &QPushButton::clicked, this, &BuildPage::listen);
    connect(yes_, &QPushButton::clicked, this, [this] {
        if (detective_) detective_->answer(true);
        ask();
    });
    connect(no_, &QPushButton::clicked, this, [this] {
        if (detective_) detective_->answer(false);
        ask();
    });
    connect(done_, &QPushButton::clicked, this, &BuildPage::end);
    connect(&session_.document, &Document::replaced, this, &BuildPage::end);
    connect(&session_.document, &Document::changed, this, [this] {
        if (!active_) return;
        std::erase_if(cables_, [&](int id) { return !session_.document.patch().cable(id); });
        if (cables_.empty())
            end();
        else
            refresh();
    });
    connect(&session_.readings, &Readings::changed, this, [this] {
        if (active_) refresh();
    });
    frames_.setInterval(kPageFrame);
    connect(&frames_, &QTimer::timeout, trace_, qOverload<>(&QWidget::update));
}

void BuildPage::begin(const std::string& voice, bool apart) {
    voice_ = voice;
    apart_ = apart;
    cables_.clear();
    const Patch& patch = session_.document.patch();
    for (const Cable& cable : patch.cables)
        if (voice.empty() || cable.voice == voice) cables_.push_back(cable.id);
    if (cables_.empty()) // of a voice that goes through what was there already
        for (const Cable& cable : patch.cables) cables_.push_back(cable.id);
    if (apart) std::ranges::reverse(cables_);
    if (cables_.empty()) {
        Q_EMIT message(tr("There is nothing to build yet: put a plan into the patch first."), true);
        Q_EMIT ended();
        return;
    }
    active_ = true;
    frames_.start();
    go(0);
    setFocus();
}

void BuildPage::end() {
    if (!active_) return;
    active_ = false;
    frames_.stop();
    detective_.reset();
    session_.readings.want(this, {});
    session_.document.setUntilRow(0);
    Q_EMIT ended();
}

void BuildPage::hideEvent(QHideEvent* event) {
    QWidget::hideEvent(event);
    if (active_ && !isVisibleTo(parentWidget())) return;
    frames_.stop();
}

void BuildPage::go(int step) {
    if (!active_) return;
    detective_.reset();
    if (step >= steps()) {
        Q_EMIT message(apart_ ? tr("All cables are out.") + QLatin1Char(' ') + putBackList()
                              : tr("That was the last row. It stands as planned."),
                       false);
        end();
        return;
    }
    step_ = std::clamp(step, 0, steps() - 1);
    const int id = cables_[static_cast<std::size_t>(step_)];
    // Built up, this row is the newest that sounds; taken apart, it is still there until it is pulled.
    session_.document.setUntilRow(session_.document.patch().row(id));
    session_.selection.chooseCable(id);
    session_.readings.want(this, {session_.document.patch().cable(id)->from});
    refresh();
}

/// Knobs that matter from here on: of posts that this row is the first to touch, where they do not stand at rest.
QString BuildPage::knobsBefore(const Cable& cable) const {
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    std::set<std::string> before;
    for (const int id : cables_) {
        if (id == cable.id) break;
        before.insert(patch.cable(id)->from.post);
        before.insert(patch.cable(id)->to.post);
    }
    QStringList texts;
    for (const std::string& id : {cable.from.post, cable.to.post}) {
        if (!before.insert(id).second) continue;
        const Post& post = *patch.post(id);
        const PartInfo& part = *library.part(post);
        QStringList knobs;
        for (const KnobInfo& knob : part.knobs) {
            const KnobInForce now = knobInForce(patch, post, part, knob);
            const double value = knobValue(post, knob);
            const bool rests = !post.knobs.contains(knob.id) || std::abs(value - knob.initial) < 1e-9;
            if (rests || knob.momentary) continue;
            knobs << (knob.scale.taper == Taper::Switch
                          ? tr("%1 at %2").arg(q(*now.name), q(now.scale->text(now.value)))
                          : tr("%1 at %2 (%3)")
                                .arg(q(*now.name), q(clockHand(knob.scale.toFraction(value))),
                                     q(now.scale->text(now.value))));
        }
        if (!knobs.isEmpty()) texts << tr("%1: %2").arg(q(post.name), knobs.join(QStringLiteral(", ")));
    }
    return texts.join(QLatin1Char('\n'));
}

/// The module behind a post, as somebody looks for it in the case.
QString BuildPage::whereItStands(const std::string& id) const {
    const Post* post = session_.document.patch().post(id);
    const Case* housing = session_.document.housing();
    const Slot* slot = post && housing ? housing->slot(post->slot) : nullptr;
    const ModuleInfo* module = slot ? session_.document.library().module(slot->module) : nullptr;
    if (!module) return {};
    return QStringLiteral("   ") + tr("(%1, row %2)").arg(q(module->description.name)).arg(slot->row);
}

QString BuildPage::putBackList() const {
    const Case* housing = session_.document.housing();
    QStringList names;
    if (housing)
        for (const Slot& slot : housing->slots)
            if (!slot.from.empty())
                if (const ModuleInfo* module = session_.document.library().module(slot.module))
                    names << tr("%1 to %2").arg(q(module->description.name), q(slot.from));
    return names.isEmpty() ? QString() : tr("To go back: %1.").arg(names.join(QStringLiteral(", ")));
}

void BuildPage::refresh() {
    if (!active_ || cables_.empty()) return;
    step_ = std::clamp(step_, 0, steps() - 1);
    const Patch& patch = session_.document.patch();
    const Library& library = session_.document.library();
    const Cable& cable = *patch.cable(cables_[static_cast<std::size_t>(step_)]);
    count_->setText(voice_.empty() ? tr("Row %1 of %2").arg(step_ + 1).arg(steps())
                                   : tr("%1: row %2 of %3%4")
                                         .arg(q(voice_))
                                         .arg(step_ + 1)
                                         .arg(steps())
                                         .arg(cable.step.empty() ? QString() : QStringLiteral(" · ") + q(cable.step)));
    const QString which =
        cable.lengthCm > 0
            ? tr("%1 %2 cm").arg(QCoreApplication::translate("core", cable.colour.c_str())).arg(cable.lengthCm)
            : tr("a cable that reaches");
    take_->setText(apart_ ? tr("Take out: %1").arg(which) : tr("Take: %1").arg(which));
    from_->setText(tr("from  %1").arg(jackName(cable.from, patch, library)) + whereItStands(cable.from.post));
    to_->setText(tr("to  %1").arg(jackName(cable.to, patch, library)) + whereItStands(cable.to.post));
    const QString knobs = apart_ ? QString() : knobsBefore(cable);
    knobs_->setText(knobs.isEmpty() ? QString() : tr("Set before it:") + QLatin1Char('\n') + knobs);
    knobs_->setVisible(!knobs.isEmpty());
    QString expect;
    if (!apart_) {
        const QString reading = session_.readings.wholeText(cable.from);
        expect = reading.isEmpty() ? tr("Measuring what you should read in it…")
                                   : tr("In this cable you should read %1.").arg(reading);
        if (!cable.note.empty()) expect += QLatin1Char('\n') + q(cable.note);
    } else {
        expect = tr("Hear what its going changes. Put it back to the others of its length.");
    }
    expect_->setText(expect);
    static_cast<BuildTrace*>(trace_)->show(cable.from);
    back_->setEnabled(step_ > 0);
    next_->setText(step_ + 1 < steps() ? tr("Next row") : tr("Done"));
    wrong_->setVisible(!apart_);
    const bool asks = detective_ && detective_->question().has_value();
    question_->setVisible(detective_.has_value());
    yes_->setVisible(asks);
    no_->setVisible(asks);
    setAccessibleDescription(text());
}

QString BuildPage::text() const {
    QStringList all;
    for (const QLabel* one : {count_, take_, from_, to_, knobs_, expect_, question_})
        if (!one->isHidden() && !one->text().isEmpty()) all << one->text();
    return all.join(QLatin1Char('\n'));
}

void BuildPage::listen() {
    auto made = Detective::on(session_.document.heard(), session_.document.library());
    if (!made) {
        question_->setText(said(made.error().reason));
        question_->show();
        return;
    }
    detective_ = std::move(*made);
    ask();
}

void BuildPage::ask() {
    if (!detective_) return;
    if (const auto found = detective_->found()) {
        QStringList lines{said(found->what)};
        for (const Sentence& one : found->tries) lines << QStringLiteral("–  ") + said(one);
        question_->setText(lines.join(QLatin1Char('\n')));
    } else if (const auto question = detective_->question()) {
        question_->setText(tr("Look, listen or read at %1: is that there? %2")
                               .arg(jackName(question->at, session_.document.patch(), session_.document.library()),
                                    said(question->expect)));
    }
    refresh();
}

void BuildPage::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Right:
    case Qt::Key_Down:
    case Qt::Key_Return:
        go(step_ + 1);
        return;
    case Qt::Key_Left:
    case Qt::Key_Up:
        go(step_ - 1);
        return;
    case Qt::Key_Escape:
        end();
        return;
    default:
        QWidget::keyPressEvent(event);
    }
}

void BuildPage::paintEvent(QPaintEvent*) {
    QPainter(this).fillRect(rect(), look().paper);
}

} // namespace lariat
