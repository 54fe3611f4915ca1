#include "blocks/types.h"

#include <algorithm>

#include <fmt/format.h>

namespace lariat {

const std::vector<BlockType>& blockTypes() {
    static const std::vector<BlockType> types = {
        clockType(),
        clockDividerType(),
        clockMultiplierType(),
        trackSequencerType(),
        stepSequencerType(),
        quantizerType(),
        triggerPatternType(),
        keysType(),
        midiToCvType(),
        padType(),
        vcoType(),
        ratioTrioType(),
        noiseType(),
        metalClusterType(),
        samplePlayerType(),
        lfoType(),
        phaseLfoType(),
        externalInType(),
        contourType(),
        functionGeneratorType(),
        sampleHoldType(),
        randomSourceType(),
        shiftRegisterType(),
        comparatorType(),
        detectorType(),
        logicType(),
        sequentialSwitchType(),
        slewType(),
        optoLagType(),
        attenuverterType(),
        adderType(),
        rectifierType(),
        crossfaderType(),
        matrixType(),
        multType(),
        passiveMultType(),
        vcaType(),
        vcaBankType(),
        ringType(),
        svfType(),
        ladderType(),
        lowPassGateType(),
        resonatorBankType(),
        wavefolderType(),
        driveType(),
        crusherType(),
        compressorType(),
        bandCompressorType(),
        equalizerType(),
        stereoWidthType(),
        pannerType(),
        dcBlockerType(),
        echoType(),
        reverbType(),
        granularType(),
        mixerType(),
        stereoMixerType(),
        insertType(),
        lineOutType(),
        scopeProbeType(),
        tunerProbeType(),
    };
    return types;
}

std::string wordWithNumber(const std::string& word, char between, int number) {
    return fmt::format("{}{}{}", word, between, number);
}

const BlockType* findBlockType(std::string_view id) {
    const auto& types = blockTypes();
    const auto it = std::ranges::find(types, id, &BlockType::id);
    return it == types.end() ? nullptr : &*it;
}

} // namespace lariat
