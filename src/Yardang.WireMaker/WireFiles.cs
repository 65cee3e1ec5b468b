namespace Yardang.WireMaker;

/// <summary>The files that follow from Core's records.</summary>
public static class WireFiles
{
    /// <summary>Each with its text as it has to be.</summary>
    /// <param name="root">The folder of the project.</param>
    public static IEnumerable<(string Path, string Text)> All(string root)
    {
        var declarations = Declarations.Of();
        var protocol = Path.Combine(root, "docs", "protocol.md");
        yield return (Path.Combine(root, "src", "Yardang.Data", "Wire", "Forms.g.cs"), CSharp(declarations));
        foreach (var (name, text) in TypeScript(declarations)) yield return (Path.Combine(root, "src", "Yardang.Web", "Client", "wire", $"{name}.ts"), text);
        yield return (protocol, new ProtocolTables(declarations).In(File.ReadAllText(protocol)));
    }

    /// <summary>The server's codec.</summary>
    public static string CSharp(Declarations declarations) => new CSharpForms(declarations).Write();

    /// <summary>The browser's types, readers and writers: each file by its name.</summary>
    public static IReadOnlyDictionary<string, string> TypeScript(Declarations declarations) => new Dictionary<string, string>(new TypeScriptCodec(declarations).Write(), StringComparer.Ordinal) { ["forms"] = new TypeScriptForms(declarations).Write() };
}
