#include "shell/patch_dialog.h"

#include "look/text.h"
#include "shell/tempo.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QMessageBox>
#include <QVBoxLayout>

namespace lariat {
namespace {

constexpr int kLongest = 200; ///< characters of a title

} // namespace

PatchDialog::PatchDialog(const Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    const Patch& patch = session.document.patch();
    setWindowTitle(tr("About this patch"));
    resize(520, 380);
    auto* layout = new QVBoxLayout(this);
    auto* form = new QFormLayout;
    title_ = new QLineEdit(q(patch.title));
    title_->setObjectName(QStringLiteral("title"));
    title_->setMaxLength(kLongest);
    key_ = new QComboBox;
    key_->setObjectName(QStringLiteral("key"));
    key_->setEditable(true);
    for (const char* root : {"C", "C♯", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"})
        for (const QString& mode : {tr("major"), tr("minor"), tr("dorian"), tr("phrygian"), tr("mixolydian")})
            key_->addItem(QString::fromUtf8(root) + QLatin1Char(' ') + mode);
    key_->setCurrentText(q(patch.key));
    const TempoHome home = tempoHome(patch, session.document.library());
    tempoText_ = home.post ? q(home.knob->scale.text(knobValue(*home.post, *home.knob))) : QString();
    tempo_ = new QLineEdit(tempoText_);
    tempo_->setObjectName(QStringLiteral("tempo"));
    tempo_->setEnabled(home.post != nullptr);
    about_ = new QPlainTextEdit(q(patch.about));
    about_->setObjectName(QStringLiteral("about"));
    about_->setTabChangesFocus(true);
    form->addRow(tr("&Title"), title_);
    form->addRow(tr("&Key"), key_);
    form->addRow(tr("Te&mpo"), tempo_);
    auto* where =
        new QLabel(home.post ? tr("It comes from %1: the knob “%2”.").arg(q(home.post->name), q(home.knob->name))
                             : tr("No clock of this patch sets a tempo."));
    where->setWordWrap(true);
    form->addRow(QString(), where);
    form->addRow(tr("&Description"), about_);
    layout->addLayout(form);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    connect(buttons, &QDialogButtonBox::accepted, this, &PatchDialog::take);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    layout->addWidget(buttons);
}

/// All of it is one step of the history. A tempo that cannot be read keeps the dialog open.
void PatchDialog::take() {
    const Patch& patch = session_.document.patch();
    std::vector<Edit> edits;
    const std::string title = title_->text().trimmed().toStdString();
    if (!title.empty() && title != patch.title) edits.emplace_back(SetTitle{title});
    const DescribePatch head{key_->currentText().trimmed().toStdString(),
                             about_->toPlainText().trimmed().toStdString()};
    if (head.key != patch.key || head.about != patch.about) edits.emplace_back(head);
    if (tempo_->text() != tempoText_) {
        const TempoHome home = tempoHome(patch, session_.document.library());
        const auto value = home.post ? home.knob->scale.parse(tempo_->text().toStdString()) : std::nullopt;
        if (!value || *value < home.knob->scale.min || *value > home.knob->scale.max) {
            QMessageBox::warning(
                this, windowTitle(),
                home.post ? tr("“%1” is no tempo; write %2.").arg(tempo_->text(), q(home.knob->scale.expectation()))
                          : tr("The clock is gone."));
            tempo_->setFocus();
            tempo_->selectAll();
            return;
        }
        edits.emplace_back(SetKnob{home.post->id, home.knob->id, *value});
    }
    if (!edits.empty() && !session_.document.apply(edits, tr("describe the patch"))) return;
    accept();
}

} // namespace lariat
