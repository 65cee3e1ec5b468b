using Yardang.WireMaker;

// ./yardang wire: writes what follows from Core's records.
var root = new DirectoryInfo(Environment.CurrentDirectory);
while (root is not null && !File.Exists(Path.Combine(root.FullName, "Yardang.slnx"))) root = root.Parent;
if (root is null)
{
    await Console.Error.WriteLineAsync("Start this somewhere inside the project.");
    return 1;
}

foreach (var (path, text) in WireFiles.All(root.FullName)) await File.WriteAllTextAsync(path, text);
return 0;
