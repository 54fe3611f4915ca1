#include "patch/settings_page.h"

#include "building/morph.h"
#include "log/differences.h"
#include "look/fonts.h"
#include "look/text.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
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
    auto* about =
        new QLabel(tr("Put aside how the patch is as A and as B, see what is different, and go from one to the "
                      "other. Locked knobs stay. The file keeps the knobs of both; cables and steps are "
                      "kept while it is open."));
    about->setWordWrap(true);
    about->setFont(textFont(13));
    layout->addWidget(about);
    auto* ways = new QGridLayout;
    for (std::size_t i = 0; i < 2; ++i) {
        const std::string name = kNames[i];
        const auto column = static_cast<int>(i);
        auto* keeper = new QPushButton(tr("Keep as %1").arg(q(name)));
        keeper->setObjectName(QStringLiteral("keep-") + q(name));
        recall_[i] = new QPushButton(tr("Go to %1").arg(q(name)));
        recall_[i]->setObjectName(QStringLiteral("go-") + q(name));
        recallAll_[i] = new QPushButton(tr("%1 and all").arg(q(name)));
        recallAll_[i]->setObjectName(QStringLiteral("go-all-") + q(name));
        recallAll_[i]->setAccessibleName(tr("Go to %1 with cables and steps").arg(q(name)));
        recallAll_[i]->setToolTip(tr("Cables and steps as well"));
        connect(keeper, &QPushButton::clicked, this, [this, name] { keep(name); });
        connect(recall_[i], &QPushButton::clicked, this, [this, name] { recall(name); });
        connect(recallAll_[i], &QPushButton::clicked, this, [this, name] { recallAll(name); });
        ways->addWidget(keeper, 0, column);
        ways->addWidget(recall_[i], 1, column);
        ways->addWidget(recallAll_[i], 2, column);
    }
    layout->addLayout(ways);
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
    auto* compare = new QPushButton(tr("Compare with a file…"));
    compare->setObjectName(QStringLiteral("compare-file"));
    connect(compare, &QPushButton::clicked, this, [this] {
        const QString file =
            QFileDialog::getOpenFileName(window(), tr("Compare with"), QFileInfo(session_.document.file()).path(),
                                         tr("Patches (*.lariat *.patch.json *.json)"));
        if (!file.isEmpty()) compareWith(file);
    });
    layout->addWidget(compare);
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
        kept_.clear();
        otherFile_.clear();
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
    kept_[name] = session_.document.patch();
    otherFile_.clear();
    refresh();
    Q_EMIT message(tr("%1 is how the patch is now.").arg(q(name)), false);
}

/// A and B themselves are not among what comes back.
void SettingsPage::recallAll(const std::string& name) {
    const auto kept = kept_.find(name);
    if (kept == kept_.end()) return;
    Patch patch = kept->second;
    patch.settings = session_.document.patch().settings;
    patch.settingExtras = session_.document.patch().settingExtras;
    if (!(patch == session_.document.patch()))
        session_.document.become(std::move(patch), tr("go to %1 with cables and steps").arg(q(name)));
    const QSignalBlocker quiet(slider_);
    slider_->setValue(name == kNames[0] ? 0 : 100);
    refresh();
}

void SettingsPage::compareWith(const QString& file) {
    auto other = openPatch(file.toStdString(), session_.document.library());
    if (!other) {
        Q_EMIT message(said(other.error()), true);
        return;
    }
    other_ = std::move(*other);
    otherFile_ = file;
    refresh();
}

/// What changes from one to the other.
void SettingsPage::list(const QString& head, const Patch& before, const Patch& after) {
    QStringList lines;
    for (const Difference& one : differences(before, after, session_.document.library()))
        if (one.group != Difference::Group::SmallPrint) lines << q(inOneLine(one, inWindow()));
    if (lines.size() > kMostListed)
        lines = lines.mid(0, kMostListed) << tr("… and %1 more").arg(lines.size() - kMostListed);
    differences_->setText(head + QLatin1Char('\n') +
                          (lines.isEmpty() ? tr("Nothing is different.") : lines.join(QLatin1Char('\n'))));
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
    for (std::size_t i = 0; i < 2; ++i) recallAll_[i]->setEnabled(kept_.contains(kNames[i]));
    const Patch& now = session_.document.patch();
    if (!otherFile_.isEmpty()) {
        list(tr("From %1 to this patch:").arg(QFileInfo(otherFile_).fileName()), other_, now);
        return;
    }
    if (!a || !b) {
        differences_->setText(a || b ? tr("Now change what is to be different, and keep it as the other one.")
                                     : QString());
        return;
    }
    // What is kept whole is compared whole; of the other only the knobs are known.
    const auto state = [&](const char* name, const Setting& setting) {
        const auto kept = kept_.find(name);
        if (kept != kept_.end()) return kept->second;
        Patch made = now;
        const Edits edits = morph(now, session_.document.library(), setting, setting, 0.0);
        if (auto turned = applyEdits(now, edits)) made = std::move(*turned);
        return made;
    };
    list(tr("From A to B:"), state(kNames[0], *a), state(kNames[1], *b));
}

} // namespace lariat
