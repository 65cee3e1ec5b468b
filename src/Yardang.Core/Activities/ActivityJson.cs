using System.Collections.Immutable;
using System.Text.Json;
using System.Text.Json.Serialization;
using Yardang.Core.Ink;
using Yardang.Core.Pages;

namespace Yardang.Core.Activities;

/// <summary>An activity as JSON: <c>activity.json</c> of an archive, and the frozen content of a version. Described in docs/archive.md.</summary>
public static class ActivityJson
{
    /// <summary>The format's version, written into every file.</summary>
    public const int FormatVersion = 2;

    internal static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        AllowOutOfOrderMetadataProperties = true,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase), new TextsConverter(), new PointsConverter(), new PaperConverter() },
    };

    private sealed record File(int Format, ActivityContent Activity);

    /// <summary>The activity as UTF-8 JSON. The same content always gives the same bytes. What has no parts is written as earlier programs read it.</summary>
    public static byte[] Write(ActivityContent activity) => JsonSerializer.SerializeToUtf8Bytes(new File(activity.Parts is null ? 1 : FormatVersion, activity), Options);

    /// <summary>Reads what <see cref="Write"/> wrote.</summary>
    /// <exception cref="FormatException">It is damaged or newer than this program; the message names the place.</exception>
    public static ActivityContent Read(ReadOnlySpan<byte> json) =>
        ReadPart(json) is { } activity && !(activity.Pages.IsDefaultOrEmpty && activity.Steps.Any(p => p.Kind == PartKind.Pages)) ? activity : throw new FormatException("The activity has no page.");

    /// <summary>Reads what <see cref="Write"/> wrote, also of an activity without pages: marks alone.</summary>
    /// <exception cref="FormatException">It is damaged or newer than this program; the message names the place.</exception>
    public static ActivityContent ReadPart(ReadOnlySpan<byte> json)
    {
        try
        {
            var file = JsonSerializer.Deserialize<File>(json, Options) ?? throw new FormatException("The file is empty.");
            if (file.Format > FormatVersion) throw new FormatException($"The file has format {file.Format}; this program reads up to {FormatVersion}.");
            return file.Activity;
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or InvalidOperationException)
        {
            throw new FormatException($"The activity cannot be read at {(e as JsonException)?.Path ?? "its start"}.", e);
        }
    }

    /// <summary>Whether two parts of activities say the same.</summary>
    public static bool AreSame<T>(T one, T other) =>
        JsonSerializer.SerializeToUtf8Bytes(one, Options).AsSpan().SequenceEqual(JsonSerializer.SerializeToUtf8Bytes(other, Options));

    private sealed class TextsConverter : JsonConverter<Texts>
    {
        public override Texts Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var texts = Texts.None;
            foreach (var (language, text) in JsonSerializer.Deserialize<Dictionary<string, string>>(ref reader, options) ?? [])
            {
                texts = texts.With(language, text);
            }

            return texts;
        }

        public override void Write(Utf8JsonWriter writer, Texts value, JsonSerializerOptions options)
        {
            writer.WriteStartObject();
            foreach (var (language, text) in value.ByLanguage) writer.WriteString(language, text);
            writer.WriteEndObject();
        }
    }

    // Format 1 of the first version had the kind alone: "squared".
    private sealed class PaperConverter : JsonConverter<Paper>
    {
        private sealed record Settings(PaperKind Kind, int Spacing = 0, Axis? Across = null, Axis? Up = null, int Columns = 0, int Rows = 0, string? Media = null);

        public override Paper Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            if (reader.TokenType == JsonTokenType.String) return new(JsonSerializer.Deserialize<PaperKind>(ref reader, options));
            var s = JsonSerializer.Deserialize<Settings>(ref reader, options)!;
            return new(s.Kind, s.Spacing, s.Across, s.Up, s.Columns, s.Rows, s.Media);
        }

        public override void Write(Utf8JsonWriter writer, Paper value, JsonSerializerOptions options) =>
            JsonSerializer.Serialize(writer, new Settings(value.Kind, value.Spacing, value.Across, value.Up, value.Columns, value.Rows, value.Media), options);
    }

    // Points are one flat array: x, y, pressure, ms, x, y, pressure, ms ...
    private sealed class PointsConverter : JsonConverter<ImmutableArray<InkPoint>>
    {
        public override ImmutableArray<InkPoint> Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var flat = JsonSerializer.Deserialize<int[]>(ref reader, options) ?? [];
            if (flat.Length % 4 != 0) throw new JsonException("Points come in fours.");
            return [.. flat.Chunk(4).Select(p => new InkPoint(p[0], p[1], (byte)p[2], p[3]))];
        }

        public override void Write(Utf8JsonWriter writer, ImmutableArray<InkPoint> value, JsonSerializerOptions options)
        {
            writer.WriteStartArray();
            foreach (var p in value)
            {
                writer.WriteNumberValue(p.X);
                writer.WriteNumberValue(p.Y);
                writer.WriteNumberValue(p.Pressure);
                writer.WriteNumberValue(p.Ms);
            }

            writer.WriteEndArray();
        }
    }
}
