using System.Collections.Immutable;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Yardang.Core.Activities;

namespace Yardang.Data.School;

internal sealed class LessonConfiguration : IEntityTypeConfiguration<LessonRecord>
{
    public void Configure(EntityTypeBuilder<LessonRecord> builder)
    {
        builder.ToTable("Lessons");
        builder.HasIndex(l => l.Code).IsUnique();
        builder.HasIndex(l => l.Address).IsUnique();
        builder.HasIndex(l => l.EmbedKey).IsUnique();
        builder.HasIndex(l => l.OwnerId);
        builder.Property(l => l.Names).HasConversion(
            names => JsonSerializer.Serialize(names.ByLanguage, JsonSerializerOptions.Default),
            text => new Texts(JsonSerializer.Deserialize<ImmutableSortedDictionary<string, string>>(text, JsonSerializerOptions.Default)!.WithComparers(StringComparer.Ordinal)));
    }
}
