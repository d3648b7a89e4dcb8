# frozen_string_literal: true

require "json"

# Which codes an account can take was a regular expression that somebody wrote; it is a length and
# signs now (Core::Codes::Accepted). What can't be said so is let go: then nothing is known of it.
Sequel.migration do
  up do
    whole = /\A\\A\[((?:\\.|[^\]\\])+)\]\{(\d{1,3}),(\d{1,3})\}\\z\z/
    from(:accounts)
      .select_map(%i[id habits])
      .each do |id, text|
        habits = JSON.parse(text || "{}")
        old = habits["takes_codes"] or next
        match = whole.match(old)
        signs = match && match[1].gsub(/\\([^a-zA-Z])/, '\1').gsub("\\d", "0-9")
        tokens = signs.to_s.scan(/[!-~]-[!-~]|[!-~]/)
        plain = match && !signs.include?("\\") && !signs.start_with?("^") && tokens.join == signs
        habits["takes_codes"] = plain ? ["#{match[2]}-#{match[3]}", *tokens].join(" ") : nil
        from(:accounts).where(id: id).update(habits: JSON.generate(habits.compact))
      end
  end

  down { raise Sequel::Error, "this migration can't be undone: restore the backup made before" }
end
