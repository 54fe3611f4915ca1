#include "patch/inspector.h"

#include "building/flow.h"
#include "library/meaning.h"
#include "library/tie.h"
#include "look/fonts.h"
#include "look/text.h"
#include "shell/theme.h"
#include "widgets/find_dialog.h"
#include "widgets/finding_card.h"
#include "widgets/jack_state.h"
#include "widgets/plug_warning.h"

#include <QLabel>
#include <QScrollBar>

namespace lariat {
namespace {

constexpr qsizetype kMostElsewhere = 6; ///< findings that are named beside those of the chosen post
constexpr const char* kAllFindings = "all";
constexpr int kFollowMilliseconds = 100;

} // namespace

Inspector::Inspector(const Session& session, Chart& chart, QWidget* parent)
    : QScrollArea(parent), session_(session), chart_(chart) {
    setFrameShape(QFrame::NoFrame);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setAccessibleName(tr("Inspector"));
    connect(&session_.selection, &Selection::changed, this, &Inspector::refresh);
    connect(&session_.document, &Document::libraryChanged, this, [this] {
        shown_.clear();
        renewed_ = true;
    });
    connect(&session_.document, &Document::changed, this, &Inspector::refresh);
    connect(&session_.checker, &Checker::findingsChanged, this, &Inspector::refresh);
    connect(&session_.document, &Document::replaced, this, [this] { pending_ = {}; });
    connect(&session_.controllers, &Controllers::learned, this,
            [this](int number) { Q_EMIT message(tr("Controller %1 turns it now.").arg(number), false); });
    connect(&follower_, &QTimer::timeout, this, &Inspector::follow);
    follower_.start(kFollowMilliseconds);
    refresh();
}

Knob* Inspector::knob(const std::string& id) const {
    return knobs_ ? knobs_->knob(id) : nullptr;
}

void Inspector::forgetPending() {
    pending_ = {};
    refresh();
}

/// Everything that the page says, except where knobs and switches stand.
QString Inspector::wording() const {
    const Patch& patch = session_.document.patch();
    QStringList words = {q(session_.selection.post()), QString::number(session_.selection.cable()), q(pending_.text()),
                         look().ink.name()};
    if (const Cable* cable = patch.cable(session_.selection.cable()))
        words << QString::number(patch.row(cable->id)) << q(cable->note) << QString::number(cable->lengthCm)
              << q(cable->colour);
    if (const Post* post = patch.post(session_.selection.post())) {
        words << q(post->note) << q(post->name) << q(post->module) << q(post->part) << q(post->voice) << q(post->sample)
              << q(post->tuning);
        const PartInfo& part = *session_.document.library().part(*post);
        for (const KnobInfo& knob : part.knobs) words << q(*knobInForce(patch, *post, part, knob).name);
        for (const JackInfo& jack : session_.document.library().part(*post)->jacks)
            words << jackState({post->id, jack.id}, patch, session_.document.library(),
                               session_.sound.engine().normals())
                         .text;
    } else {
        words << QString::number(patch.posts.size());
    }
    for (const Finding& finding : session_.checker.findings()) {
        words << QString::number(patch.row(finding.cable)) << q(finding.post) << said(finding.figure)
              << said(finding.reason);
        for (const Fix& fix : finding.fixes) words << said(fix.label);
    }
    return words.join(QLatin1Char('\n'));
}

void Inspector::refresh() {
    if (!renewed_) {
        if ((knobs_ && knobs_->busy()) || (cable_ && cable_->busy())) return; // the page stays under the hand
        if (knobs_ && knobs_->learning() && session_.selection.post() == post_) return;
    }
    renewed_ = false;
    const QString words = wording();
    if (words != shown_) {
        shown_ = words;
        rebuild();
        return;
    }
    if (knobs_) knobs_->refresh();
}

void Inspector::rebuild() {
    const int scrolled = session_.selection.post() == post_ ? verticalScrollBar()->value() : 0;
    const QString focused = focusWidget() && isAncestorOf(focusWidget()) ? focusWidget()->objectName() : QString();
    auto* page = new QWidget;
    page->setAutoFillBackground(true);
    layout_ = new QVBoxLayout(page);
    layout_->setContentsMargins(14, 12, 12, 16);
    layout_->setSpacing(4);
    knobs_ = nullptr;
    cable_ = nullptr;
    post_ = session_.selection.post();
    const Post* post = session_.document.patch().post(post_);
    if (!post) {
        pending_ = session_.document.patch().post(pending_.post) ? pending_ : JackRef{};
        addHeading(tr("Nothing chosen"));
        addText(session_.document.patch().posts.empty()
                    ? tr("Take a first part from the case with Patch, Add from the case.")
                    : tr("Choose a post or a row of the chart to see its knobs and jacks."));
        addFindings();
    } else {
        const PartInfo& part = *session_.document.library().part(*post);
        addHead(*post, part);
        addFindings();
        if (const Cable* cable = session_.document.patch().cable(session_.selection.cable())) addCable(*cable);
        knobs_ = new KnobPanel(session_, *post);
        connect(knobs_, &KnobPanel::message, this, &Inspector::message);
        connect(knobs_, &KnobPanel::released, this, &Inspector::refresh, Qt::QueuedConnection);
        layout_->addWidget(knobs_);
        auto* jacks = new JackPanel(session_, *post, pending_);
        connect(jacks, &JackPanel::picked, this, &Inspector::pickJack);
        layout_->addWidget(jacks);
    }
    layout_->addStretch();
    if (QWidget* old = takeWidget()) old->deleteLater(); // it may be the sender of what led here
    setWidget(page);
    page->show();
    layout_->activate();
    verticalScrollBar()->setValue(scrolled);
    if (!focused.isEmpty())
        if (auto* again = page->findChild<QWidget*>(focused)) again->setFocus();
}

void Inspector::addHeading(const QString& text) {
    auto* label = new QLabel(text);
    label->setFont(textFont(14, true));
    label->setContentsMargins(0, 8, 0, 2);
    layout_->addWidget(label);
}

void Inspector::addText(const QString& text) {
    auto* label = new QLabel(text);
    label->setWordWrap(true);
    label->setFont(textFont(13));
    QPalette palette = label->palette();
    palette.setColor(QPalette::WindowText, look().softInk);
    label->setPalette(palette);
    layout_->addWidget(label);
}

void Inspector::addHead(const Post& post, const PartInfo& part) {
    auto* name = new QLabel(q(post.name));
    name->setFont(textFont(18, true));
    layout_->addWidget(name);
    const ModuleInfo* module = session_.document.library().module(post.module);
    QString about = q(module->description.name);
    if (module->parts.size() > 1) about += QStringLiteral(", ") + q(part.name);
    if (!post.voice.empty()) about += QStringLiteral(" · ") + q(post.voice);
    addText(about);
    if (!post.note.empty()) addText(tr("“%1”").arg(q(post.note)));
    if (!pending_.post.empty())
        addText(tr("%1 waits for its other end: click a jack, or press Esc.")
                    .arg(q(tieName(pending_, session_.document.patch(), session_.document.library()))));
}

void Inspector::addFindings() {
    const Patch& patch = session_.document.patch();
    QStringList elsewhere;
    for (const Finding& finding : session_.checker.findings()) {
        if (finding.severity == Severity::Note) continue;
        const Cable* cable = patch.cable(finding.cable);
        const bool here =
            post_.empty() ? true
            : cable ? cable->id == session_.selection.cable() || cable->from.post == post_ || cable->to.post == post_
                    : finding.post == post_;
        const QString where = cable                      ? tr("Cable %1").arg(patch.row(cable->id))
                              : patch.post(finding.post) ? q(patch.post(finding.post)->name)
                                                         : QString();
        if (!here) {
            elsewhere << (cable ? QStringLiteral("<a href=\"%1\" style=\"color:%2\">%3</a>")
                                      .arg(cable->id)
                                      .arg(look().accent.name(), where.toHtmlEscaped())
                                : QStringLiteral("<a href=\"%1\" style=\"color:%2\">%3</a>")
                                      .arg(q(finding.post), look().accent.name(), where.toHtmlEscaped()));
            continue;
        }
        auto* card = new FindingCard(where, finding);
        connect(card, &FindingCard::fixChosen, this,
                [this, finding](std::size_t fix) { Q_EMIT fixRequested(finding, fix); });
        card->addWalk(finding, patch, session_.document.library(), false);
        connect(card, &FindingCard::whyAsked, this, [this, finding] { Q_EMIT whyAsked(finding); });
        connect(card, &FindingCard::dismissed, this, [this, finding] { Q_EMIT dismissRequested(finding); });
        connect(card, &FindingCard::findWanted, this, [this](const std::string& post, const std::string& knob) {
            findSetting(session_, post, knob, window());
        });
        connect(card, &FindingCard::fixLookedAt, this, [this, finding](int fix) {
            chart_.setPreview(fix < 0 ? std::vector<Edit>{} : finding.fixes[static_cast<std::size_t>(fix)].edits);
        });
        layout_->addSpacing(4);
        layout_->addWidget(card);
    }
    if (elsewhere.isEmpty()) return;
    const auto more = elsewhere.size() - kMostElsewhere;
    if (more > 0)
        elsewhere = elsewhere.mid(0, kMostElsewhere)
                    << QStringLiteral("<a href=\"%1\" style=\"color:%2\">%3</a>")
                           .arg(QLatin1String(kAllFindings), look().accent.name(), tr("and %1 more").arg(more));
    auto* label = new QLabel(tr("Also found: %1").arg(elsewhere.join(QStringLiteral(", "))));
    label->setWordWrap(true);
    label->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
    connect(label, &QLabel::linkActivated, this, [this](const QString& target) {
        if (target == QLatin1String(kAllFindings)) {
            Q_EMIT allFindingsWanted();
            return;
        }
        bool isCable = false;
        const int cable = target.toInt(&isCable);
        isCable ? session_.selection.chooseCable(cable) : session_.selection.choosePost(target.toStdString());
    });
    layout_->addSpacing(4);
    layout_->addWidget(label);
}

void Inspector::addCable(const Cable& cable) {
    const Patch& patch = session_.document.patch();
    addHeading(tr("Cable %1").arg(patch.row(cable.id)));
    addText(tr("%1 to %2")
                .arg(q(tieName(cable.from, patch, session_.document.library())),
                     q(tieName(cable.to, patch, session_.document.library()))));
    cable_ = new CableCard(session_, cable);
    layout_->addWidget(cable_);
}

/// Shows what moves without an edit: the readings of the chosen cable, and how far modulation takes each knob.
void Inspector::follow() {
    if (!isVisible()) return;
    if (cable_) cable_->follow();
    if (knobs_) knobs_->follow();
}

void Inspector::pickJack(const JackRef& jack) {
    if (pending_ == jack) {
        forgetPending();
        return;
    }
    if (pending_.post.empty()) {
        pending_ = jack;
        refresh();
        return;
    }
    const JackRef other = pending_;
    pending_ = {};
    const Patch& patch = session_.document.patch();
    const auto tie = makeTie(other, jack, patch, session_.document.library());
    if (!tie) {
        Q_EMIT message(said(tie.error().reason), true);
        refresh();
        return;
    }
    const QString name = tr("tie %1 to %2")
                             .arg(q(tieName(tie->cable.from, patch, session_.document.library())),
                                  q(tieName(tie->cable.to, patch, session_.document.library())));
    const QString broken = plugWarning(patch, session_.document.library(), tie->cable.from, tie->cable.to);
    if (session_.document.apply(withNewcomersPlaced(patch, {*tie}), name) && !broken.isEmpty())
        Q_EMIT message(broken, false);
}

} // namespace lariat
