#include "time/scenes_dialog.h"

#include "look/fonts.h"
#include "look/text.h"

#include <QDialogButtonBox>
#include <QVBoxLayout>

namespace lariat {

ScenesDialog::ScenesDialog(const Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    setWindowTitle(tr("Scenes in words"));
    setObjectName(QStringLiteral("scenes-dialog"));
    resize(680, 560);
    auto* layout = new QVBoxLayout(this);
    auto* help = new QLabel(
        tr("“Intro: 8 bars” begins a scene, “x2” plays it twice. Below it a line sets a knob (“filter cutoff "
           "310 Hz”), or moves it: “left: filter cutoff 310 Hz > 1.2 kHz, bar 3 to 7”. Variations, mutes "
           "and the tempo are knobs too."));
    help->setWordWrap(true);
    help->setFont(textFont(13));
    text_ = new QPlainTextEdit(
        q(writeScenes(session.document.patch().scenes, session.document.patch(), session.document.library())));
    text_->setObjectName(QStringLiteral("scenes-text"));
    text_->setFont(figureFont(13));
    text_->setAccessibleName(tr("Scenes in words"));
    text_->setPlaceholderText(QStringLiteral("Intro: 8 bars"));
    said_ = new QLabel;
    said_->setWordWrap(true);
    said_->setFont(textFont(13));
    said_->setObjectName(QStringLiteral("scenes-said"));
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    write_ = buttons->addButton(tr("Write"), QDialogButtonBox::AcceptRole);
    write_->setObjectName(QStringLiteral("scenes-write"));
    layout->addWidget(help);
    layout->addWidget(text_, 1);
    layout->addWidget(said_);
    layout->addWidget(buttons);
    connect(text_, &QPlainTextEdit::textChanged, this, &ScenesDialog::look);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(buttons, &QDialogButtonBox::accepted, this, &ScenesDialog::write);
    // Another patch has other scenes: what was written here belongs to none any more.
    connect(&session_.document, &Document::replaced, this, &QDialog::reject);
    look();
}

void ScenesDialog::look() {
    Patch patch = session_.document.patch();
    auto scenes = readScenes(text_->toPlainText().toStdString(), patch, session_.document.library());
    write_->setEnabled(scenes.has_value());
    if (!scenes) {
        said_->setText(said(scenes.error()));
        return;
    }
    patch.scenes = std::move(*scenes);
    QStringList texts;
    for (const SceneWarning& warning : checkScenes(patch, session_.document.library(), session_.document.housing()))
        texts << said(warning.text);
    constexpr int kMost = 6;
    if (texts.size() > kMost) texts = texts.mid(0, kMost) << tr("… and more");
    said_->setText(texts.isEmpty() ? tr("Two hands can play this.") : texts.join(QLatin1Char('\n')));
}

void ScenesDialog::write() {
    auto scenes =
        readScenes(text_->toPlainText().toStdString(), session_.document.patch(), session_.document.library());
    if (scenes && session_.document.apply({SetScenes{std::move(*scenes)}}, tr("write scenes"))) accept();
}

} // namespace lariat
