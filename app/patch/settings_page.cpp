#include "patch/settings_page.h"

#include "building/morph.h"
#include "look/fonts.h"
#include "look/text.h"

#include <QHBoxLayout>
#include <QScrollArea>
#include <QVBoxLayout>

namespace lariat {
namespace {

constexpr const char* kNames[] = {"A", "B"};
constexpr int kMostListed = 40;

} // namespace

SettingsPage::SettingsPage(const Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(14, 12, 12, 16);
    layout->setSpacing(8);
    auto* about = new QLabel(tr("Put aside where all knobs stand as A and as B, then go from one to the other. Locked "
                                "knobs stay."));
    about->setWordWrap(true);
    about->setFont(textFont(13));
    layout->addWidget(about);
    for (std::size_t i = 0; i < 2; ++i) {
        auto* line = new QHBoxLayout;
        const std::string name = kNames[i];
        auto* keeper = new QPushButton(tr("Keep as %1").arg(q(name)));
        keeper->setObjectName(QStringLiteral("keep-") + q(name));
        recall_[i] = new QPushButton(tr("Go to %1").arg(q(name)));
        recall_[i]->setObjectName(QStringLiteral("go-") + q(name));
        connect(keeper, &QPushButton::clicked, this, [this, name] { keep(name); });
        connect(recall_[i], &QPushButton::clicked, this, [this, name] { recall(name); });
        line->addWidget(keeper);
        line->addWidget(recall_[i]);
        layout->addLayout(line);
    }
    auto* across = new QHBoxLayout;
    slider_ = new QSlider(Qt::Horizontal);
    slider_->setObjectName(QStringLiteral("morph"));
    slider_->setAccessibleName(tr("Between A and B, in per cent"));
    slider_->setRange(0, 100);
    place_ = new QLabel;
    place_->setFont(figureFont(13));
    place_->setMinimumWidth(64);
    across->addWidget(new QLabel(QStringLiteral("A")));
    across->addWidget(slider_, 1);
    across->addWidget(new QLabel(QStringLiteral("B")));
    across->addWidget(place_);
    layout->addLayout(across);
    differences_ = new QLabel;
    differences_->setWordWrap(true);
    differences_->setAlignment(Qt::AlignTop);
    differences_->setFont(textFont(13));
    differences_->setTextFormat(Qt::PlainText);
    auto* area = new QScrollArea;
    area->setFrameShape(QFrame::NoFrame);
    area->setWidgetResizable(true);
    area->setWidget(differences_);
    layout->addWidget(area, 1);
    connect(slider_, &QSlider::valueChanged, this, &SettingsPage::stand);
    connect(slider_, &QSlider::sliderReleased, this, [this] { session_.document.endTurning(); });
    connect(&session_.document, &Document::replaced, this, [this] {
        const QSignalBlocker quiet(slider_);
        slider_->setValue(0);
    });
    connect(&session_.document, &Document::changed, this, [this] {
        if (isVisible()) refresh();
    });
    refresh();
}

void SettingsPage::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
}

const Setting* SettingsPage::setting(const std::string& name) const {
    const auto& all = session_.document.patch().settings;
    const auto it = all.find(name);
    return it == all.end() ? nullptr : &it->second;
}

void SettingsPage::keep(const std::string& name) {
    session_.document.apply({KeepSetting{name, settingOf(session_.document.patch(), session_.document.library())}},
                            tr("keep the knobs as %1").arg(q(name)));
    Q_EMIT message(tr("%1 is where the knobs stand now.").arg(q(name)), false);
}

void SettingsPage::recall(const std::string& name) {
    const Setting* kept = setting(name);
    if (!kept) {
        Q_EMIT message(tr("Nothing is kept as %1 yet.").arg(q(name)), true);
        return;
    }
    const auto edits = morph(session_.document.patch(), session_.document.library(), *kept, *kept, 0.0);
    if (!edits.empty()) session_.document.apply(edits, tr("go to %1").arg(q(name)));
    const QSignalBlocker quiet(slider_);
    slider_->setValue(name == kNames[0] ? 0 : 100);
    refresh();
}

void SettingsPage::stand(int percent) {
    const Setting* a = setting(kNames[0]);
    const Setting* b = setting(kNames[1]);
    if (!a || !b) return;
    const auto edits = morph(session_.document.patch(), session_.document.library(), *a, *b, 0.01 * percent);
    if (!edits.empty()) session_.document.turn(edits, tr("stand between A and B"), QStringLiteral("morph"));
    refresh();
}

void SettingsPage::refresh() {
    const Setting* a = setting(kNames[0]);
    const Setting* b = setting(kNames[1]);
    recall_[0]->setEnabled(a != nullptr);
    recall_[1]->setEnabled(b != nullptr);
    slider_->setEnabled(a && b);
    place_->setText(a && b ? tr("%1 %").arg(slider_->value()) : QString());
    if (!a || !b) {
        differences_->setText(a || b ? tr("Now turn what is to be different, and keep it as the other one.")
                                     : QString());
        return;
    }
    QStringList lines;
    for (const Post& post : session_.document.patch().posts)
        for (const KnobInfo& knob : session_.document.library().part(post)->knobs) {
            const auto in = [&](const Setting& one) {
                const auto knobs = one.find(post.id);
                const auto value =
                    knobs == one.end() ? decltype(knobs->second.find(knob.id)){} : knobs->second.find(knob.id);
                return knobs == one.end() || value == knobs->second.end() ? knobValue(post, knob) : value->second;
            };
            if (in(*a) != in(*b))
                lines << tr("%1 %2: %3 → %4")
                             .arg(q(post.name), q(knob.name), q(knob.scale.text(in(*a))), q(knob.scale.text(in(*b))));
        }
    if (lines.isEmpty()) lines << tr("A and B are the same.");
    if (lines.size() > kMostListed)
        lines = lines.mid(0, kMostListed) << tr("… and %1 more").arg(lines.size() - kMostListed);
    differences_->setText(lines.join(QLatin1Char('\n')));
}

} // namespace lariat
