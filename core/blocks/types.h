// The block types, one line each; registry.cpp lists them.
#pragma once

#include "blocks/block.h"

namespace lariat {

BlockType clockType();
BlockType clockDividerType();
BlockType clockMultiplierType();
BlockType trackSequencerType();
BlockType stepSequencerType();
BlockType quantizerType();
BlockType triggerPatternType();
BlockType keysType();
BlockType midiToCvType();
BlockType padType();
BlockType vcoType();
BlockType ratioTrioType();
BlockType noiseType();
BlockType metalClusterType();
BlockType samplePlayerType();
BlockType lfoType();
BlockType phaseLfoType();
BlockType externalInType();
BlockType contourType();
BlockType functionGeneratorType();
BlockType sampleHoldType();
BlockType randomSourceType();
BlockType shiftRegisterType();
BlockType comparatorType();
BlockType detectorType();
BlockType logicType();
BlockType sequentialSwitchType();
BlockType slewType();
BlockType optoLagType();
BlockType attenuverterType();
BlockType adderType();
BlockType rectifierType();
BlockType crossfaderType();
BlockType matrixType();
BlockType multType();
BlockType passiveMultType();
BlockType vcaType();
BlockType vcaBankType();
BlockType ringType();
BlockType svfType();
BlockType ladderType();
BlockType lowPassGateType();
BlockType resonatorBankType();
BlockType wavefolderType();
BlockType driveType();
BlockType crusherType();
BlockType compressorType();
BlockType bandCompressorType();
BlockType equalizerType();
BlockType stereoWidthType();
BlockType pannerType();
BlockType dcBlockerType();
BlockType echoType();
BlockType reverbType();
BlockType granularType();
BlockType mixerType();
BlockType stereoMixerType();
BlockType insertType();
BlockType lineOutType();
BlockType scopeProbeType();
BlockType tunerProbeType();

} // namespace lariat
