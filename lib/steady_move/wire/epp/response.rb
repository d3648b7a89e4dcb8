# frozen_string_literal: true

require "time"

module SteadyMove
  module Wire
    module Epp
      # A domain's data in an info response (RFC 5731 §3.1.2). Times in UTC; auth_info only for those who may see it.
      DomainInfo = Struct.new(:name, :roid, :statuses, :name_servers, :sponsor, :created_at, :updated_at, :expires_at,
                              :transferred_at, :auth_info, keyword_init: true)
      # Transfer data (RFC 5731 §3.1.3). status: pending, clientApproved, …; act_at: the act, or the deadline while pending.
      TransferInfo = Struct.new(:name, :status, :requested_by, :requested_at, :acts, :act_at, :expires_at, keyword_init: true)
      # The message at the head of the queue (RFC 5730 §2.9.2.3).
      Queue = Struct.new(:count, :id, :at, :text, keyword_init: true)

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
          node && Queue.new(count: node["count"].to_i, id: node["id"], at: Xml.time(Xml.text(node, "e:qDate")), text: Xml.text(node, "e:msg"))
        end
        private_class_method :queue

        # RFC 5730 §3: 1xxx is success.
        def success? = code.between?(1000, 1999)
        def pending? = code == 1001
      end

      # Reads <resData>.
      module ResponseData
        module_function

        def read(response)
          data = response.at_xpath("e:resData/*", Xml::NS) or return
          case data.name
          when "infData" then info(data)
          when "trnData" then transfer(data)
          when "chkData" then data.xpath("d:cd/d:name", Xml::NS).to_h { |n| [n.text, %w[1 true].include?(n["avail"])] }
          end
        end

        def info(data)
          DomainInfo.new(
            name: Xml.text(data, "d:name"), roid: Xml.text(data, "d:roid"),
            statuses: data.xpath("d:status", Xml::NS).map { |s| s["s"] },
            name_servers: Xml.texts(data, "d:ns/d:hostObj | d:ns/d:hostAttr/d:hostName").map(&:downcase),
            sponsor: Xml.text(data, "d:clID"), created_at: Xml.time(Xml.text(data, "d:crDate")),
            updated_at: Xml.time(Xml.text(data, "d:upDate")), expires_at: Xml.time(Xml.text(data, "d:exDate")),
            transferred_at: Xml.time(Xml.text(data, "d:trDate")), auth_info: Xml.text(data, "d:authInfo/d:pw")
          )
        end

        def transfer(data)
          TransferInfo.new(
            name: Xml.text(data, "d:name"), status: Xml.text(data, "d:trStatus"),
            requested_by: Xml.text(data, "d:reID"), requested_at: Xml.time(Xml.text(data, "d:reDate")),
            acts: Xml.text(data, "d:acID"), act_at: Xml.time(Xml.text(data, "d:acDate")), expires_at: Xml.time(Xml.text(data, "d:exDate"))
          )
        end
      end
    end
  end
end
