using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class Rooms : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Rooms",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Kind = table.Column<int>(type: "INTEGER", nullable: false),
                    OfId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Part = table.Column<int>(type: "INTEGER", nullable: false),
                    Whose = table.Column<int>(type: "INTEGER", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Rooms", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Rooms_OfId_Kind_Part_Whose_Number",
                table: "Rooms",
                columns: new[] { "OfId", "Kind", "Part", "Whose", "Number" },
                unique: true);

            // Every room is in one table from now on: drafts, lessons, and boards with whose they are.
            migrationBuilder.Sql("INSERT INTO Rooms (Id, Kind, OfId, Part, Whose, Number) SELECT DraftId, 1, Id, 1, 3, 0 FROM Activities");
            migrationBuilder.Sql("INSERT INTO Rooms (Id, Kind, OfId, Part, Whose, Number) SELECT Id, 2, Id, 0, 2, 0 FROM Lessons");
            migrationBuilder.Sql("INSERT INTO Rooms (Id, Kind, OfId, Part, Whose, Number) SELECT Id, 3, LessonId, 1, Kind, Number FROM Boards");
            migrationBuilder.DropTable(
                name: "Boards");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Boards",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    Kind = table.Column<int>(type: "INTEGER", nullable: false),
                    LessonId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Boards", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Boards_LessonId_Kind_Number",
                table: "Boards",
                columns: new[] { "LessonId", "Kind", "Number" },
                unique: true);

            migrationBuilder.Sql("INSERT INTO Boards (Id, LessonId, Kind, Number) SELECT Id, OfId, Whose, Number FROM Rooms WHERE Kind = 3 AND Part = 1");
            migrationBuilder.DropTable(
                name: "Rooms");
        }
    }
}
