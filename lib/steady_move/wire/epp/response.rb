# frozen_string_literal: true

require "time"

module SteadyMove
  module Wire
    module Epp
      # A server's reply. data: DomainInfo, TransferInfo, {name => available} for check, or nil.
      Response = Struct.new(:code, :message, :data, :queue, :client_id, :server_id, keyword_init: true) do
        # Reads a <response>; raises Malformed.
        def self.parse(text)
          doc = Xml.parse(text)
          response = doc.at_xpath("/e:epp/e:response", Xml::NS) or raise Malformed, "the EPP message is not a response"
          result = response.at_xpath("e:result", Xml::NS) or raise Malformed, "the EPP response has no result"
          new(code: Integer(result["code"], exception: false) || raise(Malformed, "the EPP result has no code"),
            message: Xml.text(result, "e:msg").to_s, data: ResponseData.read(response),
            queue: queue(response.at_xpath("e:msgQ", Xml::NS)),
            client_id: Xml.text(response, "e:trID/e:clTRID"), server_id: Xml.text(response, "e:trID/e:svTRID"))
        end

        def self.queue(node)
          node && Queue.new(waiting: node["count"].to_i, id: node["id"], at: Xml.time(Xml.text(node, "e:qDate")),
            text: Xml.text(node, "e:msg"))
        end
        private_class_method :queue

        # RFC 5730 §3: 1xxx is success.
        def success? = code.between?(1000, 1999)
        def pending? = code == 1001
      end
    end
  end
end
