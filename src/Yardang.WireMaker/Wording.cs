using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace Yardang.WireMaker;

/// <summary>What Core's comments say of its types and fields.</summary>
internal static partial class Wording
{
    private static readonly Dictionary<string, XElement> s_members = XDocument.Load(Path.Combine(AppContext.BaseDirectory, "Yardang.Core.xml")).Descendants("member")
        .ToDictionary(m => m.Attribute("name")!.Value, StringComparer.Ordinal);

    /// <summary>What a type is; empty if nothing is said.</summary>
    public static string Of(Type type) => Plain(Find($"T:{type.FullName}")?.Element("summary"));

    /// <summary>What a field of a record is; empty if nothing is said.</summary>
    public static string Of(Type type, string field) =>
        Plain(Find($"T:{type.FullName}")?.Elements("param").FirstOrDefault(p => string.Equals(p.Attribute("name")?.Value, field, StringComparison.Ordinal)))
        is { Length: > 0 } said ? said : Plain(Find($"P:{type.FullName}.{field}")?.Element("summary"));

    /// <summary>What one of several words means.</summary>
    public static string OfMember(Type type, string name) => Plain(Find($"F:{type.FullName}.{name}")?.Element("summary"));

    /// <summary>"LooseOnlyMoves": "loose only moves".</summary>
    public static string Words(string name) => string.Concat(name.Select((c, i) => char.IsUpper(c) && i > 0 ? $" {char.ToLowerInvariant(c)}" : $"{char.ToLowerInvariant(c)}"));

    /// <summary>"LooseOnlyMoves": "looseOnlyMoves".</summary>
    public static string Camel(string name) => char.ToLowerInvariant(name[0]) + name[1..];

    private static XElement? Find(string name) => s_members.GetValueOrDefault(name);

    private static string Plain(XElement? said) => said is null ? "" : Spaces().Replace(string.Concat(said.Nodes().Select(Plain)), " ").Trim();

    private static string Plain(XNode node) => node switch
    {
        XText text => text.Value,
        XElement e when (e.Attribute("cref") ?? e.Attribute("name")) is { } name => name.Value[(name.Value.LastIndexOf('.') + 1)..],
        XElement e => e.Value,
        _ => "",
    };

    [GeneratedRegex(@"\s+", RegexOptions.None, 1_000)]
    private static partial Regex Spaces();
}
