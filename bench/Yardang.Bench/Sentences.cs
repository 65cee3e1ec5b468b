namespace Yardang.Bench;

/// <summary>What students could write on cards: twelve words each time, by chance, so that it compresses as little as real words do.</summary>
public static class Sentences
{
    private const int Words = 12;

    private static readonly string[] s_words =
        ("arch beam bank brick bolt brook build bends breaks because cable carries concrete cross crack deck depth down dry early earth every end falls far first flat flood force frame friend gap glass grass ground grows heavy height hold hundred idea iron joint "
            + "keeps know large last leans less lets light load long made many meets metal middle model more moves narrow near need never night old once other over paper path people pier plank pull push railing rain reach river road rods rope rust safe side "
            + "slow small stand steel steps stone strong sun swing tall tension than think thin tower town train triangle truss two under until wall water weight where wide wind wire wood why year").Split(' ');

    /// <summary>One of them.</summary>
    public static string Any(Random random) => string.Join(' ', Enumerable.Range(0, Words).Select(_ => s_words[random.Next(s_words.Length)]));
}
