// Writes into a TensorFlow Lite model what is to be done with a picture before it is given to it, for it comes without: its points are from 0 to 1.
import { Builder, ByteBuffer } from 'flatbuffers';

/** The fields of the tables that are read and written, by their places in their schemas (tflite `schema.fbs`, `metadata_schema.fbs`). */
const model = { version: 0, codes: 1, subgraphs: 2, description: 3, buffers: 4, metadata: 6, count: 8 };
const imageProperties = 2;
const normalization = 1;
const rgb = 1;

const table = (builder, fields, fill) => {
  builder.startObject(fields);
  fill();
  return builder.endObject();
};
const vector = (builder, values, add) => {
  builder.startVector(4, values.length, 4);
  for (const value of values.toReversed()) add.call(builder, value);
  return builder.endVector();
};

/** One input, a picture of red, green and blue from 0 to 255 that is divided by 255; one output. */
function pictureMetadata() {
  const builder = new Builder();
  const { addOffset, addFloat32 } = Builder.prototype;
  const [mean, deviation] = [[0], [255]].map((values) => vector(builder, values, addFloat32));
  const normalized = table(builder, 2, () => {
    builder.addFieldOffset(0, mean, 0);
    builder.addFieldOffset(1, deviation, 0);
  });
  const unit = table(builder, 2, () => {
    builder.addFieldInt8(0, normalization, 0);
    builder.addFieldOffset(1, normalized, 0);
  });
  const image = table(builder, 2, () => builder.addFieldInt8(0, rgb, 0));
  const content = table(builder, 3, () => {
    builder.addFieldInt8(0, imageProperties, 0);
    builder.addFieldOffset(1, image, 0);
  });
  const units = vector(builder, [unit], addOffset);
  const input = table(builder, 7, () => {
    builder.addFieldOffset(3, content, 0);
    builder.addFieldOffset(4, units, 0);
  });
  const output = table(builder, 7, () => undefined);
  const [inputs, outputs] = [[input], [output]].map((each) => vector(builder, each, addOffset));
  const subgraph = table(builder, 7, () => {
    builder.addFieldOffset(2, inputs, 0);
    builder.addFieldOffset(3, outputs, 0);
  });
  const subgraphs = vector(builder, [subgraph], addOffset);
  builder.finish(
    table(builder, 8, () => builder.addFieldOffset(3, subgraphs, 0)),
    'M001',
  );
  return builder.asUint8Array();
}

/** The same model, described: what it was stands whole at the end of the new file, and a new root before it leads into it. */
export function describeModel(bytes) {
  const old = new ByteBuffer(bytes);
  const root = old.readInt32(0);
  const builder = new Builder(bytes.length + 65_536);
  builder.prep(16, bytes.length);
  for (const byte of bytes.toReversed()) builder.writeInt8(byte);
  const begins = builder.offset();
  const fieldAt = (field) => root + old.__offset(root, 4 + 2 * field);
  const leadsTo = (at) => begins - (at + old.readInt32(at));
  const follow = (field) => leadsTo(fieldAt(field));

  const metadata = pictureMetadata();
  builder.startVector(1, metadata.length, 16);
  for (const byte of metadata.toReversed()) builder.addInt8(byte);
  const data = builder.endVector();
  const buffer = table(builder, 1, () => builder.addFieldOffset(0, data, 0));
  const vectorAt = fieldAt(model.buffers) + old.readInt32(fieldAt(model.buffers));
  const count = old.readInt32(vectorAt);
  const kept = Array.from({ length: count }, (_, index) => leadsTo(vectorAt + 4 + 4 * index));
  const { addOffset } = Builder.prototype;
  const buffers = vector(builder, [...kept, buffer], addOffset);
  const name = builder.createString('TFLITE_METADATA');
  const entry = table(builder, 2, () => {
    builder.addFieldOffset(0, name, 0);
    builder.addFieldInt32(1, count, 0);
  });
  const entries = vector(builder, [entry], addOffset);
  const described = table(builder, model.count, () => {
    builder.addFieldInt32(model.version, old.readInt32(fieldAt(model.version)), 0);
    for (const field of [model.codes, model.subgraphs, model.description])
      builder.addFieldOffset(field, follow(field), 0);
    builder.addFieldOffset(model.buffers, buffers, 0);
    builder.addFieldOffset(model.metadata, entries, 0);
  });
  builder.finish(described, 'TFL3');
  return builder.asUint8Array();
}
