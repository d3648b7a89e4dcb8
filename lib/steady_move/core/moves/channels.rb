# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # How each act at a registrar is carried out: over its connection, on its own pages, by letter
      # to its support, or otherwise.
      # Habits differ by registrar and are data of the account; common practice, no source.
      module Channels
        # act => the ways that there are. code “mail”: asked for on its pages, sent by mail. release
        # “none”: nobody can approve there, only silence does; “link”: a link in its mail.
        # privacy “service”: a separate service with its own sign-in. EPP knows no privacy service,
        # so never by connection.
        ALLOWED = {
          "unlock" => %w[connection page letter],
          "code" => %w[connection page mail letter],
          "privacy" => %w[page letter service],
          "contacts" => %w[connection page letter],
          "name_servers" => %w[connection page letter],
          "release" => %w[connection page link letter none],
          "order" => %w[connection page],
          "push" => %w[page letter],
          "renew" => %w[connection page letter]
        }.freeze

        module_function

        # kind: epp or by_hand; chosen: {act => way} of the account's habits. Returns {act => way}
        # for every act. Without a word of the account: by its connection, else on its pages.
        #   Moves::Channels.effective("by_hand", nil)["unlock"] # => "page"
        #   Moves::Channels.effective("epp", { "release" => "link" }).values_at("unlock", "release")
        #     # => ["connection", "link"]
        def effective(kind, chosen)
          ALLOWED.to_h do |act, ways|
            given = chosen&.fetch(act, nil)
            open = kind == "epp" ? ways : ways - ["connection"]
            [act, open.include?(given) ? given : open.first]
          end
        end
      end
    end
  end
end
