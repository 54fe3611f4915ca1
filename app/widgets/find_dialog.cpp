#include "widgets/find_dialog.h"

#include "library/tie.h"
#include "look/fonts.h"
#include "look/text.h"
#include "plan/seek.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include <optional>

namespace lariat {
namespace {

struct Offer {
    GoalKind kind;
    const char* name;
    const char* want;
    const char* within;
};
/// What can be measured, with something to begin with.
constexpr Offer kOffers[] = {
    {GoalKind::Pitch, QT_TRANSLATE_NOOP("lariat::FindDialog", "pitch"), "D2", "5 cents"},
    {GoalKind::Length, QT_TRANSLATE_NOOP("lariat::FindDialog", "length until 60 dB down"), "300 ms", "5 %"},
    {GoalKind::Peak, QT_TRANSLATE_NOOP("lariat::FindDialog", "peak"), "5 V", "5 %"},
    {GoalKind::Level, QT_TRANSLATE_NOOP("lariat::FindDialog", "level, RMS"), "1 V", "5 %"},
    {GoalKind::Brightness, QT_TRANSLATE_NOOP("lariat::FindDialog", "brightness, centre of the spectrum"), "600 Hz",
     "5 %"},
    {GoalKind::Formant, QT_TRANSLATE_NOOP("lariat::FindDialog", "first formant"), "700 Hz", "5 %"},
    {GoalKind::Rate, QT_TRANSLATE_NOOP("lariat::FindDialog", "rate of pulses"), "2 Hz", "2 %"},
    {GoalKind::Lowest, QT_TRANSLATE_NOOP("lariat::FindDialog", "lowest voltage"), "0 V", "0.1 V"},
    {GoalKind::Highest, QT_TRANSLATE_NOOP("lariat::FindDialog", "highest voltage"), "8 V", "0.1 V"},
    {GoalKind::Alike, QT_TRANSLATE_NOOP("lariat::FindDialog", "difference of hits"), "0 %", "2 %"},
};

class FindDialog : public QDialog {
    Q_DECLARE_TR_FUNCTIONS(lariat::FindDialog)

  public:
    FindDialog(const Session& session, std::string post, std::string knob, QWidget* parent)
        : QDialog(parent), session_(session), post_(std::move(post)), knob_(std::move(knob)) {
        setAttribute(Qt::WA_DeleteOnClose);
        setObjectName(QStringLiteral("find-dialog"));
        const Post& there = *session_.document.patch().post(post_);
        const KnobInfo& info = *session_.document.library().part(there)->knob(knob_);
        setWindowTitle(tr("Find the setting of %1, %2").arg(q(there.name), q(info.name)));
        auto* column = new QVBoxLayout(this);
        auto* form = new QFormLayout;
        measure_ = new QComboBox;
        measure_->setObjectName(QStringLiteral("find-measure"));
        for (const Offer& offer : kOffers) measure_->addItem(tr(offer.name));
        want_ = new QLineEdit;
        want_->setObjectName(QStringLiteral("find-want"));
        within_ = new QLineEdit;
        within_->setObjectName(QStringLiteral("find-within"));
        at_ = new QComboBox;
        at_->setObjectName(QStringLiteral("find-at"));
        at_->addItem(tr("what is heard at the left"));
        const Patch& patch = session_.document.patch();
        for (const Cable& cable : patch.cables)
            if (std::ranges::count(outputs_, cable.from) == 0) {
                outputs_.push_back(cable.from);
                at_->addItem(q(tieName(cable.from, patch, session_.document.library())));
            }
        // Where this post is heard, if it is.
        for (std::size_t i = 0; i < outputs_.size(); ++i)
            if (outputs_[i].post == post_) at_->setCurrentIndex(static_cast<int>(i) + 1);
        const auto seconds = [&](double value, const char* name) {
            auto* made = new QDoubleSpinBox;
            made->setRange(0.0, 60.0);
            made->setDecimals(2);
            made->setSuffix(tr(" s"));
            made->setValue(value);
            made->setObjectName(QString::fromLatin1(name));
            return made;
        };
        from_ = seconds(0.0, "find-from");
        to_ = seconds(2.0, "find-to");
        form->addRow(tr("Measured"), measure_);
        form->addRow(tr("Where"), at_);
        form->addRow(tr("Wanted"), want_);
        form->addRow(tr("Give or take"), within_);
        auto* window = new QHBoxLayout;
        window->addWidget(from_);
        window->addWidget(new QLabel(tr("to")));
        window->addWidget(to_);
        form->addRow(tr("From the start on"), window);
        column->addLayout(form);
        answer_ = new QLabel(tr("Nothing is heard meanwhile; the patch stays as it is until you take what was found."));
        answer_->setObjectName(QStringLiteral("find-answer"));
        answer_->setWordWrap(true);
        answer_->setFont(textFont(13));
        answer_->setMinimumWidth(360);
        column->addWidget(answer_);
        auto* foot = new QHBoxLayout;
        find_ = new QPushButton(tr("Find"));
        find_->setObjectName(QStringLiteral("find-go"));
        find_->setDefault(true);
        take_ = new QPushButton(tr("Take it"));
        take_->setObjectName(QStringLiteral("find-take"));
        take_->setEnabled(false);
        auto* close = new QPushButton(tr("Close"));
        foot->addStretch();
        foot->addWidget(find_);
        foot->addWidget(take_);
        foot->addWidget(close);
        column->addLayout(foot);
        connect(measure_, &QComboBox::activated, this, [this] { offer(); });
        connect(find_, &QPushButton::clicked, this, [this] { find(); });
        connect(take_, &QPushButton::clicked, this, [this] { take(); });
        connect(close, &QPushButton::clicked, this, &QDialog::reject);
        // Another patch, or this one without the knob: there is nothing to find any more.
        connect(&session_.document, &Document::replaced, this, &QDialog::reject);
        connect(&session_.document, &Document::changed, this, [this] {
            if (!session_.document.patch().post(post_)) reject();
        });
        connect(this, &QDialog::finished, this, [this] {
            if (job_) job_->stop();
        });
        offer();
    }

  private:
    void offer() {
        const Offer& one = kOffers[measure_->currentIndex()];
        want_->setText(QString::fromLatin1(one.want));
        within_->setText(QString::fromLatin1(one.within));
    }

    void find() {
        if (job_) {
            job_->stop();
            job_.reset();
            find_->setText(tr("Find"));
            answer_->setText(tr("Stopped."));
            return;
        }
        Goal goal;
        goal.kind = kOffers[measure_->currentIndex()].kind;
        goal.name = measure_->currentText().toStdString();
        auto want = readGoalValue(goal.kind, want_->text().trimmed().toStdString());
        auto within = want ? readGoalTolerance(goal.kind, *want, within_->text().trimmed().toStdString())
                           : Result<double>(tl::unexpected(want.error()));
        if (!within) {
            answer_->setText(said(within.error().reason));
            return;
        }
        goal.want = *want;
        goal.within = *within;
        if (at_->currentIndex() > 0) goal.at = outputs_[static_cast<std::size_t>(at_->currentIndex() - 1)];
        goal.from = from_->value();
        goal.to = to_->value();
        if (goal.to <= goal.from) {
            answer_->setText(tr("The time ends before it begins."));
            return;
        }
        take_->setEnabled(false);
        answer_->setText(tr("Turning it in silent runs…"));
        find_->setText(tr("Stop"));
        job_ = session_.jobs.start(
            tr("Finding a setting"), this,
            [patch = session_.document.patch(), library = &session_.document.library(), goal, post = post_,
             knob = knob_](const Progress& progress) {
                SeekOptions options;
                options.progress = [&progress](double done) { return progress(done); };
                return seek(patch, *library, {goal}, {{post, knob}}, options);
            },
            [this](Result<Sought> sought) {
                job_.reset();
                find_->setText(tr("Find"));
                tell(std::move(sought));
            });
    }

    void tell(Result<Sought> sought) {
        const Post* there = session_.document.patch().post(post_);
        const PartInfo* part = there ? session_.document.library().part(*there) : nullptr;
        if (!sought || !part || !part->knob(knob_)) {
            answer_->setText(sought ? tr("The knob is gone.") : said(sought.error().reason));
            return;
        }
        const KnobInfo& info = *part->knob(knob_);
        const FoundKnob& found = sought->knobs.front();
        const GoalReading& reading = sought->goals.front();
        const auto clock = [&](double value) { return q(clockHand(info.scale.toFraction(value))); };
        const QString value = q(info.scale.text(found.value)) + QStringLiteral(" · ") + clock(found.value);
        const QString measured = reading.measured ? q(reading.text()) : tr("nothing to measure");
        if (sought->wasThere)
            answer_->setText(tr("It is there already: %1. It holds from %2 to %3.")
                                 .arg(measured, clock(found.low), clock(found.high)));
        else if (sought->met)
            answer_->setText(tr("%1 gives %2. It holds from %3 to %4 (%n run(s)).", nullptr, sought->runs)
                                 .arg(value, measured, clock(found.low), clock(found.high)));
        else
            answer_->setText(tr("This knob alone does not do it: at %1 it comes nearest, with %2 (%n run(s)).", nullptr,
                                sought->runs)
                                 .arg(value, measured));
        take_->setEnabled(!sought->wasThere);
        sought_ = std::move(*sought);
    }

    void take() {
        if (!sought_) return;
        if (session_.document.apply(sought_->edits, tr("set what was found"))) accept();
    }

    Session session_;
    std::string post_;
    std::string knob_;
    QComboBox* measure_;
    QComboBox* at_;
    QLineEdit* want_;
    QLineEdit* within_;
    QDoubleSpinBox* from_;
    QDoubleSpinBox* to_;
    QLabel* answer_;
    QPushButton* find_;
    QPushButton* take_;
    std::vector<JackRef> outputs_;
    std::shared_ptr<Job> job_;
    std::optional<Sought> sought_;
};

} // namespace

void findSetting(const Session& session, const std::string& post, const std::string& knob, QWidget* parent) {
    const Post* there = session.document.patch().post(post);
    const PartInfo* part = there ? session.document.library().part(*there) : nullptr;
    if (!part || !part->knob(knob)) return;
    auto* dialog = new FindDialog(session, post, knob, parent);
    dialog->show();
}

} // namespace lariat
