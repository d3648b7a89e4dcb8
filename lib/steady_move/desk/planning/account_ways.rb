# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # How each act of a move is done, by the habits of both accounts (Core::Moves::Channels).
      module AccountWays
        module_function

        # judged: Portfolio::Judging::Judged; account: where the name goes. Returns {act => way}. A
        # transfer that the holder approves by mail is released by the link in the registry's mail,
        # and lapses where nobody answers.
        def of(ports, judged, account)
          mailed = judged.judgement.family&.approval == "mail"
          by_mail = mailed ? { "release" => "link", "silence" => "lapses" } : {}
          judged.account.ways.merge(
            "proof" => Ports.of(ports).sender ? "connection" : "page",
            "order" => account.ways["order"],
            "privacy_back" => account.ways["privacy"],
            "lock_back" => account.ways["unlock"],
            "servers_after" => account.ways["name_servers"],
            **by_mail
          )
        end
      end
    end
  end
end
